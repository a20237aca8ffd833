/* Lines from point to point, and curves made of them. */
#include "path.h"

void jl_draw_polyline(struct jl_target *target, const struct jl_point *points, size_t count,
                      jl_color color) {
    jl_path_stroke(target, &(struct jl_path){points, count, false, false}, color);
}

enum { STEPS_LOG2 = 5, STEPS = 1 << STEPS_LOG2 };

/* Bernstein form at i / STEPS, times STEPS^3: exact in 64 bits; then to the nearest. */
static int16_t curve_at(int i, int p0, int p1, int p2, int p3) {
    int64_t t = i, s = STEPS - i;
    int64_t sum = s * s * s * p0 + 3 * s * s * t * p1 + 3 * s * t * t * p2 + t * t * t * p3;
    int64_t half = (int64_t)1 << (3 * STEPS_LOG2 - 1);
    /* Floor of a value that may be negative: shifted up into the positive first. */
    int64_t lift = (int64_t)65536 << (3 * STEPS_LOG2);
    return (int16_t)(((sum + half + lift) >> (3 * STEPS_LOG2)) - 65536);
}

void jl_draw_bezier(struct jl_target *target, const struct jl_point p[4], jl_color color) {
    struct jl_point points[STEPS + 1];
    for (int i = 0; i <= STEPS; i++) {
        points[i] = (struct jl_point){curve_at(i, p[0].x, p[1].x, p[2].x, p[3].x),
                                      curve_at(i, p[0].y, p[1].y, p[2].y, p[3].y)};
    }
    jl_draw_polyline(target, points, STEPS + 1, color);
}
