/*
 * Lines with a width: in each row the columns that satisfy four linear conditions. Where a
 * condition begins to hold is stepped from row to row, so that only the first row divides.
 */
#include "../core/paint.h"
#include "ellipse.h"
#include "line_row.h"

/* The whole part of the square root, bit by bit. */
static uint32_t whole_root(uint64_t n) {
    uint64_t root = 0;
    for (uint64_t bit = (uint64_t)1 << 16; bit; bit >>= 1) { /* of at most 2 * 65535^2 */
        if ((root + bit) * (root + bit) <= n) {
            root += bit;
        }
    }
    return (uint32_t)root;
}

/* The whole part of (offset + k steps) / slope, step by step. */
struct quotient {
    int64_t at;
    int32_t by;
    uint32_t rest, rest_by, slope;
};

static void divide(struct quotient *q, int64_t offset, int32_t step, uint32_t slope) {
    q->slope = slope;
    q->at = jl_floor_divide(offset, slope);
    q->by = (int32_t)jl_floor_divide(step, slope);
    q->rest = (uint32_t)(offset - q->at * slope);
    q->rest_by = (uint32_t)(step - (int64_t)q->by * slope);
}

static void go_on(struct quotient *q) {
    q->at += q->by;
    q->rest += q->rest_by;
    if (q->rest >= q->slope) {
        q->rest -= q->slope;
        q->at++;
    }
}

/*
 * The columns x with slope * x + offset >= 0, where the offset changes by a step a row. Without a
 * slope the quotient is the offset itself. Gives the way of the slope: 1, 0 or -1.
 */
static int8_t begin(struct quotient *q, int32_t slope, int64_t offset, int32_t step) {
    divide(q, offset, step, slope > 0 ? (uint32_t)slope : slope < 0 ? (uint32_t)-slope : 1);
    return slope > 0 ? 1 : slope < 0 ? -1 : 0;
}

/* Narrows left..right to them, and goes on to the next row. */
static void narrow(struct quotient *q, int8_t way, int64_t *left, int64_t *right) {
    if (way > 0) {
        *left = -q->at > *left ? -q->at : *left;
    } else if (way < 0) {
        *right = q->at < *right ? q->at : *right;
    } else if (q->at < 0) {
        *right = *left - 1;
    }
    go_on(q);
}

/* jl_draw_line() row by row, as jl_line_row() has it. */
struct thin {
    struct quotient column; /* steep: the column; flat: minus where the row begins */
    int32_t top, bottom, x, length;
    bool steep, leftwards;
};

static void begin_thin(struct thin *t, struct jl_point a, struct jl_point b, int32_t y) {
    if (a.y > b.y) {
        struct jl_point other = a;
        a = b;
        b = other;
    }
    int32_t dx = (int32_t)b.x - a.x, dy = (int32_t)b.y - a.y, reach = dx < 0 ? -dx : dx;
    *t = (struct thin){.top = a.y,
                       .bottom = b.y,
                       .x = a.x,
                       .length = reach,
                       .steep = reach < dy,
                       .leftwards = dx < 0};
    int64_t r = (int64_t)y - a.y;
    if (t->steep && dy > 0) {
        divide(&t->column, 2 * r * dx + dy, 2 * dx, 2 * (uint32_t)dy);
    } else if (dy > 0) {
        divide(&t->column, -(2 * r - 1) * reach, -2 * reach, 2 * (uint32_t)dy);
    }
}

static bool thin_row(struct thin *t, int32_t y, int32_t *first, int32_t *last) {
    bool here = y >= t->top && y <= t->bottom;
    if (t->steep) {
        *first = *last = (int32_t)(t->x + t->column.at);
        go_on(&t->column);
        return here;
    }
    int64_t from = 0, to = t->length;
    if (t->top != t->bottom) {
        int64_t begin = -t->column.at;
        go_on(&t->column);
        int64_t end = -t->column.at - 1;
        from = begin > 0 ? begin : 0;
        to = end < to ? end : to;
    }
    *first = (int32_t)(t->leftwards ? t->x - to : t->x + from);
    *last = (int32_t)(t->leftwards ? t->x - from : t->x + to);
    return here && from <= to;
}

void jl_draw_wide_line(struct jl_target *target, struct jl_point a, struct jl_point b,
                       int16_t width, jl_color color) {
    if (width <= 1 || (a.x == b.x && a.y == b.y)) {
        jl_draw_line(target, a.x, a.y, b.x, b.y, color);
        return;
    }
    struct jl_rect visible = jl_paint_visible(target);
    int32_t dx = (int32_t)b.x - a.x, dy = (int32_t)b.y - a.y;
    int64_t square = (int64_t)dx * dx + (int64_t)dy * dy;
    int64_t reach = (int64_t)whole_root((uint64_t)square) * width;
    int64_t py = (int64_t)visible.y - a.y;
    /* p.d = dx (x - a.x) + dy py; p x d = (x - a.x) dy - py dx; py grows by one a row. */
    int64_t along = dy * py - (int64_t)dx * a.x;
    int64_t across = -dx * py - (int64_t)dy * a.x;
    struct quotient ends[4];
    int8_t ways[4];
    struct thin thin;
    ways[0] = begin(&ends[0], dx, along, dy);
    ways[1] = begin(&ends[1], -dx, square - along, -dy);
    ways[2] = begin(&ends[2], -2 * dy, reach - 2 * across, 2 * dx);
    ways[3] = begin(&ends[3], 2 * dy, reach + 2 * across, -2 * dx);
    begin_thin(&thin, a, b, visible.y);
    jl_shape_begins(target, dx < 0 ? -dx : dx, dy < 0 ? -dy : dy);
    for (int32_t y = visible.y; y < (int32_t)visible.y + visible.h; y++) {
        int64_t left = visible.x, right = (int32_t)visible.x + visible.w - 1;
        int32_t first, last;
        for (uint8_t i = 0; i < 4; i++) {
            narrow(&ends[i], ways[i], &left, &right);
        }
        /* The thin line is a part, so that a width never loses pixels to rounding. */
        if (thin_row(&thin, y, &first, &last)) {
            if (left > right || last < left - 1 || first > right + 1) {
                jl_span(target, first, last, y, color);
            } else {
                left = first < left ? first : left;
                right = last > right ? last : right;
            }
        }
        if (left <= right) {
            jl_span(target, (int32_t)left, (int32_t)right, y, color);
        }
    }
    jl_shape_ends(target);
}
