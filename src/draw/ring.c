/*
 * Sectors of rings. Along a row the side of a ray changes by a constant from pixel to
 * pixel, so the inner loop only adds and compares; neighbours go out as one span.
 */
#include "../core/paint.h"
#include "ellipse.h"
#include "jadelamp/shapes.h"

struct sector {
    int32_t start_cos, start_sin, end_cos, end_sin;
    bool wide; /* more than half a turn */
    bool all;
};

/* Columns left..right of one row of the ring, relative to the middle like dy. */
static void sector_row(struct jl_target *target, const struct sector *sector, int32_t x, int32_t y,
                       int32_t dy, int32_t left, int32_t right, jl_color color) {
    /* Clockwise of the start, and not clockwise of the end: signs of these two. */
    int32_t from_start = left * sector->start_cos + dy * sector->start_sin;
    int32_t from_end = left * sector->end_cos + dy * sector->end_sin;
    int32_t run = left;
    for (int32_t dx = left; dx <= right + 1; dx++) {
        bool after = from_start >= 0, before = from_end <= 0;
        bool in = sector->all || (dx == 0 && dy == 0) ||
                  (sector->wide ? after || before : after && before);
        if (!in || dx > right) {
            jl_span(target, x + run, x + dx - 1, y + dy, color);
            run = dx + 1;
        }
        from_start += sector->start_cos;
        from_end += sector->end_cos;
    }
}

/* The part of left..right that can be seen, so that a huge ring costs no more than the glass. */
static void visible_row(struct jl_target *target, const struct sector *sector, int32_t x, int32_t y,
                        int32_t dy, int32_t left, int32_t right, jl_color color) {
    struct jl_rect seen = jl_paint_visible(target);
    int32_t first = seen.x - x, last = seen.x + seen.w - 1 - x;
    if (y + dy < seen.y || y + dy >= seen.y + seen.h) {
        return;
    }
    left = left < first ? first : left;
    right = right > last ? last : right;
    if (left <= right) {
        sector_row(target, sector, x, y, dy, left, right, color);
    }
}

void jl_fill_ring(struct jl_target *target, int16_t x, int16_t y, int16_t outer, int16_t inner,
                  jl_direction start, uint32_t sweep, jl_color color) {
    struct jl_ellipse_walk rim, hole;
    jl_direction end = (jl_direction)(start + sweep);
    struct sector sector = {jl_cosine(start), jl_sine(start), jl_cosine(end),
                            jl_sine(end),     sweep > 32768u, sweep > 65535u};
    if (outer < 0 || sweep == 0) {
        return;
    }
    jl_shape_begins(target, 3 * (int32_t)outer, 3 * (int32_t)outer); /* once around */
    jl_ellipse_begin(&rim, outer, outer);
    jl_ellipse_begin(&hole, (int32_t)inner - 1, (int32_t)inner - 1);
    for (int32_t dy = 0; dy <= outer; dy++) {
        int32_t w = jl_ellipse_half_width(&rim, dy);
        int32_t h = inner > 0 ? jl_ellipse_half_width(&hole, dy) : -1;
        for (int side = dy ? -1 : 1; side <= 1; side += 2) {
            if (h < 0) {
                visible_row(target, &sector, x, y, side * dy, -w, w, color);
            } else {
                visible_row(target, &sector, x, y, side * dy, -w, -h - 1, color);
                visible_row(target, &sector, x, y, side * dy, h + 1, w, color);
            }
        }
    }
    jl_shape_ends(target);
}

void jl_draw_arc(struct jl_target *target, int16_t x, int16_t y, int16_t radius, jl_direction start,
                 uint32_t sweep, jl_color color) {
    jl_fill_ring(target, x, y, radius, radius, start, sweep, color);
}
