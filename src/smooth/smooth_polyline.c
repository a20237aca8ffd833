/* Lines from point to point: each is made anew for each cut, so that no memory is needed. */
#include "stroke.h"

struct polyline {
    const struct jl_point *points;
    size_t count;
    int32_t width; /* sixteenths */
    bool round;
};

/* Whether line i may reach into a band, and if so the line, with the joint at its end. */
static bool stroke_at(const struct polyline *p, size_t i, int32_t top, int32_t bottom,
                      struct jl_stroke *stroke) {
    struct jl_point a = p->points[i], b = p->points[i + 1];
    int32_t upper = 2 * (int32_t)(a.y < b.y ? a.y : b.y) - p->width;
    int32_t lower = 2 * (int32_t)(a.y > b.y ? a.y : b.y) + p->width;
    if (bottom < upper || top > lower) {
        return false;
    }
    jl_stroke_begin(stroke, a, b, p->width, i == 0 && p->round, i + 2 < p->count || p->round);
    return true;
}

static bool beside(const struct polyline *p, size_t i, const struct jl_cut *cut) {
    struct jl_point a = p->points[i], b = p->points[i + 1];
    int32_t left = 16 * (int32_t)(a.x < b.x ? a.x : b.x) - p->width * 8;
    int32_t right = 16 * (int32_t)(a.x > b.x ? a.x : b.x) + p->width * 8;
    return right < cut->left || left > cut->left + JL_CUT_WINDOW * 256;
}

static void cut(const void *context, int32_t y, struct jl_cut *out) {
    const struct polyline *p = context;
    struct jl_stroke stroke;
    for (size_t i = 0; i + 1 < p->count; i++) {
        if (!beside(p, i, out) && stroke_at(p, i, y, y, &stroke)) {
            jl_stroke_cut(&stroke, y, out);
        }
    }
}

/* Joints are corners, too: where an end is round, its height says it all. Lines may cross each
 * other where there is more than one. */
static int32_t aside(const void *context, int32_t top, int32_t bottom) {
    const struct polyline *p = context;
    size_t lines = 0;
    bool was_above = false;
    for (size_t i = 0; i < p->count; i++) {
        int32_t y = 2 * (int32_t)p->points[i].y;
        if (bottom >= y - p->width && top <= y + p->width) {
            return JL_CUT_CORNER;
        }
        lines += i && was_above != (y < top);
        was_above = y < top;
    }
    return lines > 1 ? JL_CUT_A_PIXEL : JL_CUT_STRAIGHT;
}

void jl_smooth_polyline(struct jl_target *target, const struct jl_point *points, size_t count,
                        int16_t width, enum jl_ends ends, jl_color ink, jl_color paper) {
    struct polyline p = {points, count, jl_stroke_width(target, paper, width),
                         ends == JL_ENDS_ROUND};
    if (count < 2 || p.width <= 0) {
        return;
    }
    struct jl_smooth_shape shape = {.cut = cut, .aside = aside, .context = &p};
    jl_smooth_within(&shape, points, count, p.width);
    jl_smooth_paint(target, &shape, ink, paper);
}
