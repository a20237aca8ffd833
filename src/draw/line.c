/*
 * Straight lines, drawn as runs along the longer axis: a slanted line of 128
 * columns and 16 rows is 17 fills, not 128.
 *
 * One routine serves both axes: "along" is the longer axis, "across" the other.
 */
#include "../core/quotient.h"
#include "dots.h"

struct walk {
    struct jl_brush brush;
    bool along_is_x;
};

static void run(const struct walk *walk, int32_t along, int32_t length, int32_t across) {
    /* The walk is clipped along, so only `across` can be outside int16_t's range. */
    if (across < INT16_MIN || across > INT16_MAX) {
        return;
    }
    struct jl_rect area =
        walk->along_is_x ? (struct jl_rect){(int16_t)along, (int16_t)across, (int16_t)length, 1}
                         : (struct jl_rect){(int16_t)across, (int16_t)along, 1, (int16_t)length};
    jl_brush_fill(&walk->brush, area);
}

/*
 * From (a0, b0) to (a1, b1) with a0 <= a1, b the axis across, visible part
 * first..last of a. Exact value of b at a step k is b0 + sign * k * rise / reach
 * (reach = a1 - a0, rise = |b1 - b0| <= reach), kept as a quotient and a rest.
 */
static void line_along(const struct walk *walk, int32_t a0, int32_t b0, int32_t a1, int32_t b1,
                       int32_t first, int32_t last) {
    if (first > last) {
        return;
    }
    uint32_t reach = (uint32_t)(a1 - a0);
    uint32_t rise = (uint32_t)(b1 >= b0 ? b1 - b0 : b0 - b1);
    int32_t sign = b1 >= b0 ? 1 : -1;
    /* Ties go to the greater coordinate: up the axis from half on, down it only past half. */
    uint32_t bias = sign > 0 ? 0 : 1;

    /* Both factors are at most 65535, so the product fits 32 bits: no 64-bit division. */
    uint32_t skipped = (uint32_t)(first - a0) * rise;
    uint32_t whole = reach ? jl_quotient(skipped, reach) : 0;
    uint32_t rest = skipped - whole * reach;

    int32_t run_start = first;
    int32_t run_across = 0;
    for (int32_t a = first; a <= last; a++) {
        uint32_t rounded = whole + (reach && 2 * rest >= reach + bias ? 1 : 0);
        int32_t across = b0 + sign * (int32_t)rounded;
        if (a == first) {
            run_across = across;
        } else if (across != run_across) {
            run(walk, run_start, a - run_start, run_across);
            run_start = a;
            run_across = across;
        }
        rest += rise;
        if (reach && rest >= reach) {
            rest -= reach;
            whole++;
        }
    }
    run(walk, run_start, last - run_start + 1, run_across);
}

/*
 * The same pixel by pixel, which costs less where runs are short. Damage is told by pieces: an
 * eleventh of the line, so that a list of twelve rectangles holds them all, or where a window is
 * dear sixteen pixels.
 */
static void dots_along(const struct walk *walk, const struct jl_dots *dots, int32_t a0, int32_t b0,
                       int32_t a1, int32_t b1, int32_t first, int32_t last) {
    uint32_t reach = (uint32_t)(a1 - a0);
    uint32_t rise = (uint32_t)(b1 >= b0 ? b1 - b0 : b0 - b1);
    int32_t sign = b1 >= b0 ? 1 : -1, piece = ((last - first) * 3 >> 5) + 4;
    const struct jl_damage *damage = jl_dots_damage(dots->target);
    if (damage && piece < 16 && (damage->window_price_px & (JL_WINDOW_A_LINE - 1)) >= 64) {
        piece = 16;
    }
    uint32_t skipped = (uint32_t)(first - a0) * rise;
    uint32_t whole = reach ? jl_quotient(skipped, reach) : 0, rest = skipped - whole * reach;
    /* Twice the rest, and half a step on, so that a whole one is where rounding goes up; on ties as
     * line_along() has it. */
    uint32_t error = 2 * rest + reach - (sign > 0 ? 0 : 1);
    uint32_t by = 2 * rise, whole_step = reach ? 2 * reach : 1;
    if (reach && error >= whole_step) {
        error -= whole_step;
        whole++;
    }
    int32_t b = b0 + sign * (int32_t)whole;
    for (int32_t a = first; a <= last;) {
        int32_t end = last - a < piece ? last : a + piece - 1, start = a, start_b = b;
        unsigned changed = 0;
        if (walk->along_is_x) {
            for (; a <= end; a++) {
                changed |= jl_dots_set(dots, a, b);
                error += by;
                if (error >= whole_step) {
                    error -= whole_step;
                    b += sign;
                }
            }
        } else {
            for (; a <= end; a++) {
                changed |= jl_dots_set(dots, b, a);
                error += by;
                if (error >= whole_step) {
                    error -= whole_step;
                    b += sign;
                }
            }
        }
        int32_t last_b = error < by ? b - sign : b; /* it is less where a step was just taken */
        if (changed && walk->along_is_x) {
            jl_dots_changed(dots, start, start_b, end, last_b);
        } else if (changed) {
            jl_dots_changed(dots, start_b, start, last_b, end);
        }
    }
}

static int32_t distance(int32_t a, int32_t b) {
    return a > b ? a - b : b - a;
}

void jl_draw_line(struct jl_target *target, int16_t x0, int16_t y0, int16_t x1, int16_t y1,
                  jl_color color) {
    struct jl_rect clip = jl_paint_visible(target);
    int32_t columns = distance(x0, x1), rows = distance(y0, y1);
    struct walk walk = {jl_brush_of(target, color), columns >= rows};
    int32_t a0 = walk.along_is_x ? x0 : y0;
    int32_t b0 = walk.along_is_x ? y0 : x0;
    int32_t a1 = walk.along_is_x ? x1 : y1;
    int32_t b1 = walk.along_is_x ? y1 : x1;
    int32_t first = walk.along_is_x ? clip.x : clip.y;
    int32_t last = first + (walk.along_is_x ? clip.w : clip.h) - 1;
    if (a0 > a1) {
        int32_t a = a0, b = b0;
        a0 = a1;
        b0 = b1;
        a1 = a;
        b1 = b;
    }
    jl_shape_begins(target, columns, rows);
    first = first > a0 ? first : a0;
    last = last < a1 ? last : a1;
    struct jl_dots dots;
    if ((columns < rows ? columns : rows) * 4 >= a1 - a0 &&
        jl_dots_begin(&dots, &walk.brush, x0 < x1 ? x0 : x1, y0 < y1 ? y0 : y1, x0 < x1 ? x1 : x0,
                      y0 < y1 ? y1 : y0)) {
        dots_along(&walk, &dots, a0, b0, a1, b1, first, last);
    } else {
        line_along(&walk, a0, b0, a1, b1, first, last);
    }
    jl_shape_ends(target);
}
