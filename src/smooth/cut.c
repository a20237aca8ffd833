/* Spans of a cut, and what sides and discs give to it. */
#include "cut.h"

static int16_t within(const struct jl_cut *cut, int32_t x) {
    x -= cut->left;
    return (int16_t)(x < JL_CUT_FIRST ? JL_CUT_FIRST : x > JL_CUT_LAST ? JL_CUT_LAST : x);
}

static void close_gap(struct jl_cut *cut, uint8_t i) {
    cut->joined = true;
    cut->count--;
    for (; i < cut->count; i++) {
        cut->spans[i] = cut->spans[i + 1];
    }
}

/* Where there is no room, the smallest gap is given up. */
static void make_room(struct jl_cut *cut) {
    int best = 1;
    for (int i = 2; i < JL_CUT_SPANS; i++) {
        if (cut->spans[i].from - cut->spans[i - 1].to <
            cut->spans[best].from - cut->spans[best - 1].to) {
            best = i;
        }
    }
    cut->spans[best - 1].to = cut->spans[best].to;
    close_gap(cut, (uint8_t)best);
}

/* A span that does not lie right of all others. */
static void insert(struct jl_cut *cut, int16_t a, int16_t b) {
    uint8_t at = cut->count;
    while (at && cut->spans[at - 1].to >= a) {
        at--;
    }
    /* Those that it touches become one with it. */
    while (at < cut->count && cut->spans[at].from <= b) {
        a = cut->spans[at].from < a ? cut->spans[at].from : a;
        b = cut->spans[at].to > b ? cut->spans[at].to : b;
        close_gap(cut, at);
    }
    for (uint8_t i = cut->count; i > at; i--) {
        cut->spans[i] = cut->spans[i - 1];
    }
    cut->spans[at].from = a;
    cut->spans[at].to = b;
    cut->count++;
}

void jl_cut_add(struct jl_cut *cut, int32_t from, int32_t to) {
    int16_t a = within(cut, from), b = within(cut, to);
    if (a >= b) {
        cut->joined = cut->joined || from < to;
        return;
    }
    if (cut->count == JL_CUT_SPANS) {
        make_room(cut);
    }
    int16_t *end = &cut->ends[2 * cut->count];
    if (cut->count && end[-1] >= a) {
        insert(cut, a, b);
    } else { /* most come from left to right */
        end[0] = a;
        end[1] = b;
        cut->count++;
    }
}

void jl_cut_take(struct jl_cut *cut, int32_t from, int32_t to) {
    int16_t a = within(cut, from), b = within(cut, to);
    uint8_t count = cut->count;
    if (a >= b) {
        return;
    }
    struct jl_cut before = *cut;
    cut->count = 0;
    for (uint8_t i = 0; i < count; i++) {
        int16_t first = before.spans[i].from, last = before.spans[i].to;
        jl_cut_add(cut, cut->left + first, cut->left + (last < a ? last : a));
        jl_cut_add(cut, cut->left + (first > b ? first : b), cut->left + last);
    }
}

uint32_t jl_root(uint32_t n) {
    uint32_t root = 0, bit = n >> 16 ? (uint32_t)1 << 30 : (uint32_t)1 << 14;
    while (bit > n) {
        bit >>= 2;
    }
    do { /* compilers for size test at the top of other loops, and jump there */
        uint32_t tried = root + bit;
        root >>= 1;
        if (n >= tried) {
            n -= tried;
            root += bit;
        }
        bit >>= 2;
    } while (bit);
    return root;
}

int32_t jl_disc_reach(uint32_t radius, int32_t away) {
    uint32_t y = away < 0 ? 0 - (uint32_t)away : (uint32_t)away;
    if (y > radius) {
        return -1;
    }
    /* Eight columns a line: 64 times the square, where that fits. */
    uint32_t square = (radius - y) * (radius + y); /* radius below 65536 */
    return square < (uint32_t)1 << 26 ? (int32_t)jl_root(square << 6)
                                      : (int32_t)(jl_root(square) * 8);
}

struct jl_side jl_side_of(int32_t x0, int32_t y0, int32_t x1, int32_t y1) {
    struct jl_side side = {y0, y1, x0, 0};
    int32_t dx = x1 - x0;
    if (y0 > y1) {
        side = (struct jl_side){y1, y0, x1, 0};
        dx = -dx;
    }
    uint32_t lines = (uint32_t)(side.bottom - side.top);
    if (lines) {
        const uint32_t most =
            ((uint32_t)1 << 19) - 1; /* for sides wider than any glass, and nearly level */
        uint32_t columns = dx < 0 ? 0 - (uint32_t)dx : (uint32_t)dx;
        uint32_t whole = columns / lines, rest = columns % lines;
        whole = whole > most ? most : whole;
        int32_t slope = (int32_t)(whole << 12 | (rest << 12) / lines);
        side.slope = dx < 0 ? -slope : slope;
    }
    return side;
}

void jl_smooth_within(struct jl_smooth_shape *shape, const struct jl_point *points, size_t count,
                      int32_t lines) {
    shape->left = shape->top = INT32_MAX;
    shape->right = shape->bottom = INT32_MIN;
    for (size_t i = 0; i < count; i++) {
        int32_t x = points[i].x * (int32_t)16, y = points[i].y * (int32_t)2;
        shape->left = x - lines * 8 < shape->left ? x - lines * 8 : shape->left;
        shape->right = x + lines * 8 > shape->right ? x + lines * 8 : shape->right;
        shape->top = y - lines < shape->top ? y - lines : shape->top;
        shape->bottom = y + lines > shape->bottom ? y + lines : shape->bottom;
    }
}
