/*
 * Lines with a width: in each row the columns that satisfy four linear conditions, found
 * by one division each.
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

/* Narrows left..right to the columns x with slope * x + offset >= 0. */
static void keep_positive(int64_t slope, int64_t offset, int64_t *left, int64_t *right) {
    if (slope > 0) {
        int64_t from = -jl_floor_divide(offset, slope);
        *left = from > *left ? from : *left;
    } else if (slope < 0) {
        int64_t to = jl_floor_divide(offset, -slope);
        *right = to < *right ? to : *right;
    } else if (offset < 0) {
        *right = *left - 1;
    }
}

void jl_draw_wide_line(struct jl_target *target, struct jl_point a, struct jl_point b,
                       int16_t width, jl_color color) {
    if (width <= 1 || (a.x == b.x && a.y == b.y)) {
        jl_draw_line(target, a.x, a.y, b.x, b.y, color);
        return;
    }
    struct jl_rect visible = jl_paint_visible(target);
    int64_t dx = (int64_t)b.x - a.x, dy = (int64_t)b.y - a.y;
    int64_t square = dx * dx + dy * dy;
    int64_t reach = (int64_t)whole_root((uint64_t)square) * width;
    for (int32_t y = visible.y; y < (int32_t)visible.y + visible.h; y++) {
        int64_t left = visible.x, right = (int32_t)visible.x + visible.w - 1;
        int64_t py = y - a.y;
        /* p.d = dx (x - a.x) + dy py; p x d = (x - a.x) dy - py dx. */
        int64_t along = dy * py - dx * a.x;
        int64_t across = -dx * py - dy * a.x;
        int32_t first, last;
        keep_positive(dx, along, &left, &right);
        keep_positive(-dx, square - along, &left, &right);
        keep_positive(-2 * dy, reach - 2 * across, &left, &right);
        keep_positive(2 * dy, reach + 2 * across, &left, &right);
        /* The thin line is a part, so that a width never loses pixels to rounding. */
        if (jl_line_row(a, b, y, &first, &last)) {
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
}
