/* Polygons, and the outline of triangles. */
#include "path.h"

void jl_fill_polygon(struct jl_target *target, const struct jl_point *points, size_t count,
                     jl_color color) {
    jl_path_rows(target, &(struct jl_path){points, count, true, true}, color);
}

void jl_stroke_polygon(struct jl_target *target, const struct jl_point *points, size_t count,
                       jl_color color) {
    jl_path_stroke(target, &(struct jl_path){points, count, true, false}, color);
}

void jl_stroke_triangle(struct jl_target *target, struct jl_point a, struct jl_point b,
                        struct jl_point c, jl_color color) {
    struct jl_point points[3] = {a, b, c};
    jl_stroke_polygon(target, points, 3, color);
}
