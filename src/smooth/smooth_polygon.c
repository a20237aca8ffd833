/* Polygons. */
#include "cut.h"

struct polygon {
    const struct jl_point *points;
    size_t count;
    bool crosses; /* a side crosses another one */
};

static struct jl_point end_of(const struct polygon *p, size_t side) {
    return p->points[side + 1 < p->count ? side + 1 : 0];
}

static void cut(const void *context, int32_t y, struct jl_cut *out) {
    enum { MOST = 32 };
    const struct polygon *p = context;
    int32_t crossings[MOST];
    uint8_t count = 0;
    for (size_t i = 0; i < p->count && count < MOST; i++) {
        struct jl_point a = p->points[i], b = end_of(p, i);
        int32_t ay = 2 * (int32_t)a.y, by = 2 * (int32_t)b.y, x;
        if ((y < ay) == (y < by)) {
            continue; /* both ends on one side: most sides cost no more than this */
        }
        struct jl_side side = jl_side_of(16 * (int32_t)a.x, ay, 16 * (int32_t)b.x, by);
        if (jl_side_cut(&side, y, &x)) {
            uint8_t at = count++;
            for (; at > 0 && crossings[at - 1] > x; at--) {
                crossings[at] = crossings[at - 1];
            }
            crossings[at] = x;
        }
    }
    for (uint8_t i = 0; i + 1 < count; i = (uint8_t)(i + 2)) {
        jl_cut_add(out, crossings[i], crossings[i + 1]);
    }
}

static int32_t aside(const void *context, int32_t top, int32_t bottom) {
    const struct polygon *p = context;
    for (size_t i = 0; i < p->count; i++) {
        int32_t y = 2 * (int32_t)p->points[i].y;
        if (p->crosses || (y >= top && y <= bottom)) {
            return JL_CUT_CORNER;
        }
    }
    return JL_CUT_STRAIGHT;
}

/* Which side of the line from a to b a point is on: the sign of what it returns. */
static int64_t turn_of(struct jl_point a, struct jl_point b, struct jl_point c) {
    return ((int64_t)b.x - a.x) * ((int32_t)c.y - a.y) -
           ((int64_t)b.y - a.y) * ((int32_t)c.x - a.x);
}

static bool apart(int64_t a, int64_t b) {
    return (a > 0 && b > 0) || (a < 0 && b < 0);
}

/* Also where they only touch, which costs time and nothing else. */
static bool cross(struct jl_point a, struct jl_point b, struct jl_point c, struct jl_point d) {
    return !apart(turn_of(a, b, c), turn_of(a, b, d)) && !apart(turn_of(c, d, a), turn_of(c, d, b));
}

static bool crosses_itself(const struct polygon *p) {
    for (size_t i = 0; i < p->count; i++) {
        for (size_t j = i + 2; j < p->count; j++) {
            bool neighbours = i == 0 && j + 1 == p->count;
            if (!neighbours && cross(p->points[i], end_of(p, i), p->points[j], end_of(p, j))) {
                return true;
            }
        }
    }
    return false;
}

void jl_smooth_polygon(struct jl_target *target, const struct jl_point *points, size_t count,
                       jl_color ink, jl_color paper) {
    struct polygon p = {points, count, false};
    if (count < 3) {
        return;
    }
    p.crosses = crosses_itself(&p);
    struct jl_smooth_shape shape = {.cut = cut, .aside = aside, .context = &p};
    jl_smooth_within(&shape, points, count, 0);
    jl_smooth_paint(target, &shape, ink, paper);
}
