/* Lines with a width: four sides, and half discs at the ends. */
#include "stroke.h"

static int32_t size(int32_t n) {
    return n < 0 ? -n : n;
}

/* n * most / length to the nearest; n and length below 2^15, most below 2^16. */
static int32_t part(int32_t n, int32_t most, uint32_t length) {
    uint32_t product = (uint32_t)size(n) * (uint32_t)most;
    int32_t quotient = (int32_t)((product + length / 2) / length);
    return n < 0 ? -quotient : quotient;
}

void jl_stroke_begin(struct jl_stroke *stroke, struct jl_point a, struct jl_point b, int32_t width,
                     bool round_a, bool round_b) {
    int32_t dx = (int32_t)b.x - a.x, dy = (int32_t)b.y - a.y;
    *stroke = (struct jl_stroke){.end_x = {a.x * (int32_t)16, b.x * (int32_t)16},
                                 .end_y = {a.y * (int32_t)2, b.y * (int32_t)2},
                                 .radius = width,
                                 .round = {round_a, round_b}};
    int32_t upper = stroke->end_y[0] < stroke->end_y[1] ? stroke->end_y[0] : stroke->end_y[1];
    stroke->top = upper - width;
    stroke->bottom = stroke->end_y[0] + stroke->end_y[1] - upper + width;
    if (dx == 0 && dy == 0) {
        return; /* no sides: they are all level */
    }
    /* As long as fits, so that the length is precise; its direction alone counts. */
    while (size(dx) >= 16384 || size(dy) >= 16384) {
        dx /= 2;
        dy /= 2;
    }
    while (size(dx) < 8192 && size(dy) < 8192) {
        dx *= 2;
        dy *= 2;
    }
    uint32_t length = jl_root((uint32_t)(dx * dx) + (uint32_t)(dy * dy));
    int32_t out_x = part(-dy, width * 8, length), out_y = part(dx, width, length);
    int32_t ax = stroke->end_x[0], ay = stroke->end_y[0];
    int32_t bx = stroke->end_x[1], by = stroke->end_y[1];
    stroke->sides[0] = jl_side_of(ax + out_x, ay + out_y, bx + out_x, by + out_y);
    stroke->sides[1] = jl_side_of(ax - out_x, ay - out_y, bx - out_x, by - out_y);
    stroke->sides[2] = jl_side_of(ax + out_x, ay + out_y, ax - out_x, ay - out_y);
    stroke->sides[3] = jl_side_of(bx + out_x, by + out_y, bx - out_x, by - out_y);
}

/* A stroke has no dents: what lies between its outermost cuts belongs to it. */
void jl_stroke_cut(const struct jl_stroke *stroke, int32_t y, struct jl_cut *cut) {
    int32_t from = INT32_MAX, to = INT32_MIN, x;
    if (y < stroke->top || y > stroke->bottom) {
        return;
    }
    for (uint8_t i = 0; i < 4; i++) {
        if (jl_side_cut(&stroke->sides[i], y, &x)) {
            from = x < from ? x : from;
            to = x > to ? x : to;
        }
    }
    for (uint8_t i = 0; i < 2; i++) {
        int32_t reach =
            stroke->round[i] ? jl_disc_reach((uint32_t)stroke->radius, y - stroke->end_y[i]) : -1;
        if (reach > 0) {
            x = stroke->end_x[i];
            from = x - reach < from ? x - reach : from;
            to = x + reach > to ? x + reach : to;
        }
    }
    if (from < to) {
        jl_cut_add(cut, from, to);
    }
}

int32_t jl_stroke_aside(const struct jl_stroke *stroke, int32_t top, int32_t bottom) {
    int32_t square = JL_CUT_STRAIGHT;
    if (bottom < stroke->top || top > stroke->bottom) {
        return square;
    }
    for (uint8_t i = 0; i < 2; i++) {
        int32_t y = stroke->end_y[i];
        if (stroke->round[i] && bottom >= y - stroke->radius && top <= y + stroke->radius) {
            square = jl_tighter(square, jl_disc_aside(stroke->radius, bottom - top));
        }
    }
    /* Corners: the sides' ends, of which the first two have them all. */
    for (uint8_t i = 0; i < 2; i++) {
        const struct jl_side *side = &stroke->sides[i];
        bool upper = side->top >= top && side->top <= bottom;
        bool lower = side->bottom >= top && side->bottom <= bottom;
        if ((upper || lower) && !(stroke->round[0] && stroke->round[1])) {
            square = JL_CUT_CORNER;
        }
    }
    return square;
}

int32_t jl_stroke_width(const struct jl_target *target, jl_color paper, int16_t width) {
    enum { MOST = 510 * 16 };
    if (width > 0 && width < 16 && jl_smooth_is_hard(target, paper)) {
        return 16;
    }
    return width > MOST ? MOST : width;
}
