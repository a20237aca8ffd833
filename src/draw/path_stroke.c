/* Outlines of paths. */
#include "path.h"

void jl_path_stroke(struct jl_target *target, const struct jl_path *path, jl_color color) {
    if (target->mode != JL_MODE_REPLACE) {
        jl_path_rows(target, path, color);
        return;
    }
    for (size_t i = 0; i < path->count; i++) {
        bool last = i + 1 == path->count;
        const struct jl_point *a = &path->points[i], *b = &path->points[last ? 0 : i + 1];
        if (!last || path->closed) {
            jl_draw_line(target, a->x, a->y, b->x, b->y, color);
        }
    }
}
