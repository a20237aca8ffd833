/*
 * The engine of smooth shapes. A row is a band between two cuts: where their spans are like each
 * other, what lies between them is made of slanted sides, whose areas are exact. Where they are
 * not, because of a corner, an end, or a side that is rather level, the row is made of four
 * bands, and where that is not enough of sixteen thin strips, each as wide as the cut in its
 * middle.
 *
 * Areas are kept as differences from pixel to pixel: adding them up from the left gives the
 * share of each. A whole pixel is 16 strips of 256 columns.
 */
#include "cut.h"

#include "../core/mem.h"

enum { WHOLE = 16 * 256, STRIPS = 16, ROOM = JL_CUT_WINDOW + 4 };

struct painting {
    struct jl_brush brush;
    const struct jl_smooth_shape *shape;
    jl_color paper;
    int32_t x, width; /* of the window, pixels */
    struct jl_cut *upper, *lower;
    int16_t change[ROOM]; /* of the share; the window begins at 1 */
};

static void cut_at(const struct painting *p, int32_t y, struct jl_cut *cut) {
    cut->left = p->x * 256;
    cut->count = 0;
    p->shape->cut(p->shape->context, y, cut);
}

static void change_by(struct painting *p, int32_t pixel, int32_t by) {
    p->change[pixel] = (int16_t)(p->change[pixel] + by);
}

/* A side between two columns at most a pixel apart, for so many strips; what is right of it
 * counts. Fewer than none: it counts no more. */
static void side(struct painting *p, int32_t a, int32_t b, int32_t strips) {
    if (a > b) {
        int32_t other = a;
        a = b;
        b = other;
    }
    if (b <= 0) {
        change_by(p, 1, strips * 256);
        return;
    }
    if (a >= JL_CUT_WINDOW * 256) {
        return;
    }
    a += 256;
    b += 256;
    int32_t pixel = a >> 8, before = 256 - (a & 255), behind = b - (pixel + 1) * 256;
    if (behind <= 0) {
        int32_t right = strips * (before - behind) / 2;
        change_by(p, pixel, right);
        change_by(p, pixel + 1, strips * 256 - right);
        return;
    }
    /* It leaves the pixel: a triangle here, all but a triangle in the next one. */
    int32_t twice_here = (int32_t)((uint32_t)(before * before) / (uint32_t)(b - a));
    int32_t here = strips * twice_here / 2;
    int32_t left = strips * (twice_here - before + behind) / 2;
    change_by(p, pixel, here);
    change_by(p, pixel + 1, strips * 256 - here - left);
    change_by(p, pixel + 2, left);
}

static void sides(struct painting *p, const struct jl_cut *upper, const struct jl_cut *lower,
                  int32_t strips) {
    for (uint8_t i = 0; i < upper->count; i++) {
        side(p, upper->spans[i].from, lower->spans[i].from, strips);
        side(p, upper->spans[i].to, lower->spans[i].to, -strips);
    }
}

static bool near(int32_t a, int32_t b) {
    return a - b <= 256 && b - a <= 256;
}

static bool alike(const struct jl_cut *a, const struct jl_cut *b) {
    bool good = a->count == b->count;
    for (uint8_t i = 0; i < a->count && good; i++) {
        good = near(a->spans[i].from, b->spans[i].from) && near(a->spans[i].to, b->spans[i].to);
    }
    return good;
}

/* Whether the band from `y` down to the lower cut can be drawn at once. */
static bool is_even(const struct painting *p, int32_t y, int32_t lines) {
    return alike(p->upper, p->lower) && p->shape->even(p->shape->context, y, y + lines) >= lines;
}

static void next_band(struct painting *p) {
    struct jl_cut *upper = p->upper;
    p->upper = p->lower;
    p->lower = upper;
}

/* Adds up a row whose first line is y, where the upper cut is; then the cut is the next row's. */
static void add_row(struct painting *p, int32_t y) {
    enum { BAND = JL_CUT_LINES / 4, STRIP = JL_CUT_LINES / STRIPS };
    cut_at(p, y + JL_CUT_LINES, p->lower);
    if (is_even(p, y, JL_CUT_LINES)) {
        sides(p, p->upper, p->lower, STRIPS);
        next_band(p);
        return;
    }
    for (int32_t band = y; band < y + JL_CUT_LINES; band += BAND) {
        cut_at(p, band + BAND, p->lower);
        if (is_even(p, band, BAND)) {
            sides(p, p->upper, p->lower, STRIPS / 4);
        } else {
            for (int32_t strip = band; strip < band + BAND; strip += STRIP) {
                cut_at(p, strip + STRIP / 2, p->upper);
                sides(p, p->upper, p->upper, 1);
            }
        }
        next_band(p);
    }
}

static uint8_t share_of(int32_t area) {
    return (uint8_t)((area * 255 + WHOLE / 2) >> 12);
}

/* Draws what was added up, and clears it. Whole pixels are filled, others mixed. */
static void draw_row(struct painting *p, int16_t y) {
    uint8_t shares[JL_CHUNK];
    int32_t area = p->change[0] + p->change[1], x = 0;
    p->change[0] = 0;
    while (x < p->width) {
        int32_t start = x;
        if (area <= 0 || area >= WHOLE) {
            do { /* to where it changes */
                p->change[x + 1] = 0;
                x++;
            } while (x < p->width && !p->change[x + 1]);
            if (area > 0) {
                jl_brush_fill(&p->brush, (struct jl_rect){(int16_t)(p->x + start), y,
                                                          (int16_t)(x - start), 1});
            }
            area += p->change[x + 1];
            continue;
        }
        int16_t count = 0;
        do {
            shares[count++] = share_of(area);
            p->change[x + 1] = 0;
            x++;
            area += p->change[x + 1];
        } while (x < p->width && count < JL_CHUNK && area > 0 && area < WHOLE);
        jl_paint_cover(p->brush.target, (int16_t)(p->x + start), y, count, shares, p->brush.color,
                       p->paper);
    }
    memset(&p->change[p->width + 1], 0,
           sizeof p->change - ((size_t)p->width + 1) * sizeof(int16_t));
}

static void draw_smooth(struct painting *p, int32_t first, int32_t last) {
    memset(p->change, 0, sizeof p->change);
    cut_at(p, first * JL_CUT_LINES, p->upper);
    for (int32_t y = first; y <= last; y++) {
        add_row(p, y * JL_CUT_LINES);
        draw_row(p, (int16_t)y);
    }
}

/* Where there are no shades: pixels whose middle is covered. */
static void draw_hard(const struct painting *p, int32_t first, int32_t last) {
    for (int32_t y = first; y <= last; y++) {
        cut_at(p, y * JL_CUT_LINES + JL_CUT_LINES / 2, p->upper);
        for (uint8_t i = 0; i < p->upper->count; i++) {
            int32_t from = (p->upper->spans[i].from + 127) >> 8;
            int32_t to = (p->upper->spans[i].to - 128) >> 8;
            from = from < 0 ? 0 : from;
            to = to >= p->width ? p->width - 1 : to;
            if (from <= to) {
                jl_brush_fill(&p->brush, (struct jl_rect){(int16_t)(p->x + from), (int16_t)y,
                                                          (int16_t)(to - from + 1), 1});
            }
        }
    }
}

bool jl_smooth_is_hard(const struct jl_target *target, jl_color paper) {
    return target->mode == JL_MODE_INVERT ||
           (target->ops &&
            (!(target->ops->shades & JL_SHADES_SHOWN) || (paper == JL_CLEAR && !target->ops->get)));
}

void jl_smooth_paint(struct jl_target *target, const struct jl_smooth_shape *shape, jl_color ink,
                     jl_color paper) {
    struct jl_cut cuts[2];
    struct painting p = {jl_brush_of(target, ink), shape, paper, 0, 0, &cuts[0], &cuts[1], {0}};
    struct jl_rect seen = jl_paint_visible(target);
    int32_t left = shape->left >> 8, end = (shape->right + 255) >> 8;
    int32_t first = shape->top >> 5, last = (shape->bottom - 1) >> 5;
    if (ink == JL_CLEAR) {
        return;
    }
    left = left > seen.x ? left : seen.x;
    end = end < (int32_t)seen.x + seen.w ? end : (int32_t)seen.x + seen.w;
    first = first > seen.y ? first : seen.y;
    last = last < (int32_t)seen.y + seen.h ? last : (int32_t)seen.y + seen.h - 1;
    jl_shape_begins(target, end - left, last - first);
    /* Windows begin at the same places whatever is seen, so that roundings are the same. */
    for (p.x = left & ~(JL_CUT_WINDOW - 1); p.x < end; p.x += JL_CUT_WINDOW) {
        p.width = end - p.x < JL_CUT_WINDOW ? end - p.x : JL_CUT_WINDOW;
        if (jl_smooth_is_hard(target, paper)) {
            draw_hard(&p, first, last);
        } else {
            draw_smooth(&p, first, last);
        }
    }
    jl_shape_ends(target);
}
