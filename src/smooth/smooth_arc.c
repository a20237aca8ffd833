/* Parts of rings, with flat or round ends. */
#include "cut.h"

/* What is clockwise of a direction, or the other side of it, as seen from the middle. */
struct half {
    int16_t cos, sin;
    int32_t slope; /* of its edge: columns a line, in 1/4096 */
};

struct arc {
    int32_t x, y, outer, inner; /* column, line, lines */
    struct half start, end;     /* after the start, before the end */
    bool wide;                  /* more than half a turn: what is in either, not in both */
    bool round;
    int32_t end_x[2], end_y[2], end_radius; /* columns, lines, lines */
};

static struct half half_of(jl_direction direction) {
    struct half half = {jl_cosine(direction), jl_sine(direction), 0};
    if (half.cos) {
        /* dx cos + dy sin >= 0 begins or ends at dx = -dy sin / cos. */
        bool negative = (half.cos < 0) == (half.sin < 0);
        struct jl_side side = jl_side_of(0, 0, (half.sin < 0 ? -half.sin : half.sin) * (int32_t)8,
                                         half.cos < 0 ? -half.cos : half.cos);
        half.slope = negative ? -side.slope : side.slope;
    }
    return half;
}

/* Narrows from..to, columns from the middle, to the side; `after` says which one. */
static void narrow(const struct half *half, bool after, int32_t dy, int32_t *from, int32_t *to) {
    if (!half->cos) {
        if (((half->sin > 0) == (dy >= 0)) != after) {
            *to = *from;
        }
        return;
    }
    int32_t x = (int32_t)(((int64_t)half->slope * dy) >> 12);
    if ((half->cos > 0) == after) {
        *from = x > *from ? x : *from;
    } else {
        *to = x < *to ? x : *to;
    }
}

static void cut(const void *context, int32_t y, struct jl_cut *out) {
    const struct arc *arc = context;
    int32_t dy = y - arc->y, reach = jl_disc_reach((uint32_t)arc->outer, dy);
    if (reach >= 0) {
        int32_t hole = arc->inner ? jl_disc_reach((uint32_t)arc->inner, dy) : -1;
        int32_t from = -reach, to = reach;
        /* Narrow: the sector. Wide: what is to be left out of the ring. */
        narrow(&arc->start, !arc->wide, dy, &from, &to);
        narrow(&arc->end, arc->wide, dy, &from, &to);
        if (arc->wide) {
            jl_cut_add(out, arc->x - reach, arc->x + reach);
            jl_cut_take(out, arc->x + from, arc->x + to);
        } else {
            jl_cut_add(out, arc->x + from, arc->x + to);
        }
        if (hole > 0) {
            jl_cut_take(out, arc->x - hole, arc->x + hole);
        }
    }
    for (uint8_t i = 0; i < 2 && arc->round; i++) {
        int32_t cap = jl_disc_reach((uint32_t)arc->end_radius, y - arc->end_y[i]);
        jl_cut_add(out, arc->end_x[i] - cap, arc->end_x[i] + cap);
    }
}

static int32_t aside(const void *context, int32_t top, int32_t bottom) {
    const struct arc *arc = context;
    bool in_hole = bottom > arc->y - arc->inner && top < arc->y + arc->inner;
    int32_t square = jl_disc_aside(in_hole ? arc->inner : arc->outer, bottom - top);
    for (uint8_t i = 0; i < 2; i++) {
        const struct half *half = i ? &arc->end : &arc->start;
        int32_t rim = arc->y - ((arc->outer * half->cos) >> 14);
        int32_t hole = arc->y - ((arc->inner * half->cos) >> 14);
        if (arc->round) {
            bool here =
                bottom >= arc->end_y[i] - arc->end_radius && top <= arc->end_y[i] + arc->end_radius;
            if (here) {
                square = jl_tighter(square, jl_disc_aside(arc->end_radius, bottom - top));
            }
        } else if ((bottom >= rim && top <= rim + 1) || (bottom >= hole && top <= hole + 1)) {
            return JL_CUT_CORNER; /* a corner, which may be rounded up or down */
        }
    }
    return square;
}

/* The ends' middles, between the two radii. */
static void place_end(struct arc *arc, uint8_t i, const struct half *half) {
    int32_t away = (arc->outer + arc->inner) / 2;
    /* At most 2^16 * 2^14; eight columns a line. */
    arc->end_x[i] = arc->x + ((away * half->sin + 1024) >> 11);
    arc->end_y[i] = arc->y + ((away * -half->cos + 8192) >> 14);
}

/* Widens what the shape lies within by a square around a place. */
static void include(struct jl_smooth_shape *shape, int32_t x, int32_t y, int32_t lines) {
    shape->left = x - lines * 8 < shape->left ? x - lines * 8 : shape->left;
    shape->right = x + lines * 8 > shape->right ? x + lines * 8 : shape->right;
    shape->top = y - lines < shape->top ? y - lines : shape->top;
    shape->bottom = y + lines > shape->bottom ? y + lines : shape->bottom;
}

/* The ends, each with what is as wide as the ring around it, and what the sweep passes of the four
 * sides. */
static void include_all(struct jl_smooth_shape *shape, const struct arc *arc, jl_direction start,
                        uint32_t sweep) {
    for (uint8_t i = 0; i < 2; i++) {
        include(shape, arc->end_x[i], arc->end_y[i], arc->end_radius + 2);
    }
    for (uint8_t quarter = 0; quarter < 4; quarter++) {
        jl_direction side = (jl_direction)(quarter * 16384u);
        if ((jl_direction)(side - start) <= sweep) {
            int32_t away = arc->outer - 1;
            include(shape,
                    arc->x + (quarter == 1   ? away
                              : quarter == 3 ? -away
                                             : 0) *
                                 8,
                    arc->y + (quarter == 2   ? away
                              : quarter == 0 ? -away
                                             : 0),
                    1);
        }
    }
}

void jl_smooth_arc(struct jl_target *target, struct jl_point centre, int16_t outer, int16_t inner,
                   jl_direction start, uint32_t sweep, enum jl_ends ends, jl_color ink,
                   jl_color paper) {
    if (outer <= 0 || inner >= outer || sweep == 0) {
        return;
    }
    if (sweep > 65535u) {
        jl_smooth_ring(target, centre, outer, inner, ink, paper);
        return;
    }
    struct arc arc = {.x = centre.x * (int32_t)16,
                      .y = centre.y * (int32_t)2,
                      .outer = outer * (int32_t)2,
                      .inner = inner > 0 ? inner * (int32_t)2 : 0,
                      .start = half_of(start),
                      .end = half_of((jl_direction)(start + sweep)),
                      .wide = sweep > 32768u,
                      .round = ends == JL_ENDS_ROUND};
    arc.end_radius = (arc.outer - arc.inner) / 2;
    place_end(&arc, 0, &arc.start);
    place_end(&arc, 1, &arc.end);
    struct jl_smooth_shape shape = {.cut = cut,
                                    .aside = aside,
                                    .context = &arc,
                                    .left = arc.end_x[0],
                                    .right = arc.end_x[0],
                                    .top = arc.end_y[0],
                                    .bottom = arc.end_y[0]};
    include_all(&shape, &arc, start, sweep);
    jl_smooth_paint(target, &shape, ink, paper);
}
