/*
 * Ellipses and circles, row by row from the middle outwards. A row's half width only
 * shrinks on the way, so it is found by counting down: no root, no division.
 */
#include "ellipse.h"

#include "dots.h"

/* All in 64 bits: (2 * 32767 + 1)^4 is just below 2^64. */
void jl_ellipse_begin(struct jl_ellipse_walk *walk, int32_t rx, int32_t ry) {
    walk->a2 = (uint64_t)(2 * rx + 1) * (uint64_t)(2 * rx + 1);
    walk->b2 = (uint64_t)(2 * ry + 1) * (uint64_t)(2 * ry + 1);
    walk->half_width = rx;
    walk->rx = rx;
    walk->ry = ry;
}

/* 4 dx^2 + 4 dy^2 <= (2 r + 1)^2, all of which fits 32 bits. */
static int32_t circle_half_width(struct jl_ellipse_walk *walk, uint32_t dy) {
    uint32_t r = 2 * (uint32_t)walk->rx + 1, limit = r * r - 4 * dy * dy;
    uint32_t dx = (uint32_t)walk->half_width;
    while (4 * dx * dx > limit) {
        dx--;
    }
    walk->half_width = (int32_t)dx;
    return walk->half_width;
}

int32_t jl_ellipse_half_width(struct jl_ellipse_walk *walk, int32_t dy) {
    if (walk->rx < 0 || walk->ry < 0 || dy > walk->ry) {
        return -1;
    }
    if (walk->rx == walk->ry) {
        return circle_half_width(walk, (uint32_t)dy);
    }
    /* 4 dx^2 b2 + 4 dy^2 a2 <= a2 b2, with the second term moved over: nothing overflows. */
    uint64_t limit = walk->a2 * walk->b2;
    uint64_t taken = 4 * (uint64_t)dy * (uint64_t)dy * walk->a2;
    while (walk->half_width >= 0 &&
           4 * (uint64_t)walk->half_width * (uint64_t)walk->half_width * walk->b2 > limit - taken) {
        walk->half_width--;
    }
    return walk->half_width;
}

void jl_brush_span(const struct jl_brush *brush, int32_t left, int32_t right, int32_t y) {
    if (y < INT16_MIN || y > INT16_MAX || right < left) {
        return;
    }
    left = left < INT16_MIN ? INT16_MIN : left;
    right = right > INT16_MAX ? INT16_MAX : right;
    /* Up to 65536 wide, in two parts that a rectangle can name. */
    while (left <= right) {
        int32_t width = right - left + 1 > INT16_MAX ? INT16_MAX : right - left + 1;
        jl_brush_fill(brush, (struct jl_rect){(int16_t)left, (int16_t)y, (int16_t)width, 1});
        left += width;
    }
}

void jl_span(struct jl_target *target, int32_t left, int32_t right, int32_t y, jl_color color) {
    struct jl_brush brush = jl_brush_of(target, color);
    jl_brush_span(&brush, left, right, y);
}

/* Both rows at a distance, or the one in the middle. */
static void two_spans(const struct jl_brush *brush, int32_t x0, int32_t x1, int32_t y, int32_t dy) {
    jl_brush_span(brush, x0, x1, y - dy);
    if (dy) {
        jl_brush_span(brush, x0, x1, y + dy);
    }
}

/* What is the same in all four quarters: how far from the middle, and what has changed so. */
struct quarter {
    int32_t x, y;              /* the middle */
    int32_t x0, x1, y0, y1, n; /* the piece that damage is told of; n: rows of it with changes */
};

static void tell(const struct jl_dots *dots, struct quarter *q) {
    for (int i = 0; i < 4 && q->n; i++) {
        int32_t sx = i & 1 ? -1 : 1, sy = i & 2 ? -1 : 1;
        jl_dots_changed(dots, q->x + sx * q->x0, q->y + sy * q->y0, q->x + sx * q->x1,
                        q->y + sy * q->y1);
    }
    q->n = 0;
}

/* Pixels from `from` to `to` right of the middle, and left of it, in both rows at a distance. */
static void four_dots(const struct jl_dots *dots, struct quarter *q, int32_t from, int32_t to,
                      int32_t dy) {
    unsigned changed = 0;
    for (int32_t dx = from; dx <= to; dx++) {
        changed |= jl_dots_set(dots, q->x + dx, q->y + dy);
        changed |= jl_dots_set(dots, q->x - dx, q->y + dy);
        if (dy) {
            changed |= jl_dots_set(dots, q->x + dx, q->y - dy);
            changed |= jl_dots_set(dots, q->x - dx, q->y - dy);
        }
    }
    if (!changed || !jl_dots_damage(dots->target)) {
        return;
    }
    if (q->n++ == 0) {
        q->x1 = to;
        q->y0 = dy;
    }
    q->x0 = from;
    q->y1 = dy;
}

/*
 * A row's outline: its two ends, and what reaches past the next row outwards. So a pixel is
 * on it when one of its four neighbours is outside, and the outline has no gap.
 */
static void draw(struct jl_target *target, int32_t x, int32_t y, int32_t rx, int32_t ry,
                 bool stroke, jl_color color) {
    enum { SHORT = 6 }; /* runs that are drawn by dots */
    struct jl_ellipse_walk walk;
    struct jl_brush brush = jl_brush_of(target, color);
    struct jl_dots dots;
    struct quarter quarter = {x, y, 0, 0, 0, 0, 0};
    bool by_dots = stroke && jl_dots_begin(&dots, &brush, x - rx, y - ry, x + rx, y + ry);
    jl_ellipse_begin(&walk, rx, ry);
    int32_t w = jl_ellipse_half_width(&walk, 0);
    jl_shape_begins(target, 3 * rx, 3 * ry); /* once around */
    for (int32_t dy = 0; dy <= ry; dy++) {
        int32_t next = jl_ellipse_half_width(&walk, dy + 1);
        int32_t hole = next < w - 1 ? next : w - 1;
        if (by_dots && w - hole <= SHORT) {
            four_dots(&dots, &quarter, hole + 1, w, dy);
            if (quarter.n * 3 > ry ||
                (quarter.x1 - quarter.x0) * 3 > rx) { /* twelve pieces or so */
                tell(&dots, &quarter);
            }
        } else if (!stroke || hole < 0) {
            two_spans(&brush, x - w, x + w, y, dy);
        } else {
            two_spans(&brush, x - w, x - hole - 1, y, dy);
            two_spans(&brush, x + hole + 1, x + w, y, dy);
        }
        w = next;
    }
    if (by_dots) {
        tell(&dots, &quarter);
    }
    jl_shape_ends(target);
}

void jl_fill_ellipse(struct jl_target *target, int16_t x, int16_t y, int16_t rx, int16_t ry,
                     jl_color color) {
    if (rx >= 0 && ry >= 0) {
        draw(target, x, y, rx, ry, false, color);
    }
}

void jl_stroke_ellipse(struct jl_target *target, int16_t x, int16_t y, int16_t rx, int16_t ry,
                       jl_color color) {
    if (rx >= 0 && ry >= 0) {
        draw(target, x, y, rx, ry, true, color);
    }
}

void jl_fill_circle(struct jl_target *target, int16_t x, int16_t y, int16_t radius,
                    jl_color color) {
    jl_fill_ellipse(target, x, y, radius, radius, color);
}

void jl_stroke_circle(struct jl_target *target, int16_t x, int16_t y, int16_t radius,
                      jl_color color) {
    jl_stroke_ellipse(target, x, y, radius, radius, color);
}
