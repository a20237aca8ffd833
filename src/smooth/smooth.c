/*
 * The engine of smooth shapes. A row is a band between two cuts: where their spans are like each
 * other, what lies between them is made of slanted sides, whose areas are exact. Where they are
 * not, because of a corner, an end, or an arc that goes far aside, the row is made of four bands,
 * and where that is not enough of sixteen thin strips, each as wide as the cut in its middle.
 *
 * Areas are kept as differences from pixel to pixel: adding them up from the left gives the
 * share of each. A whole pixel is 16 strips of 256 columns.
 */
#include "cut.h"

#include "../core/lone.h"
#include "../core/mem.h"
#include "jadelamp/damage.h"

/* Places: of a row's pixels, with a margin, since sides may come from two pixels left of it. */
enum { WHOLE = 16 * 256, STRIPS = 16, MARGIN = 2, ROOM = JL_CUT_WINDOW + MARGIN + 3 };

struct painting { /* bytes first, what is large last: small cores reach them quickest */
    bool mixes;   /* the target does, with what is there */
    bool hard;    /* there are no shades */
    /* Of a shape whose right half is its left one, mirrored, rows are drawn by halves. Two columns
     * that are each other's have this sum. */
    bool half;
    bool right; /* of a wide shape: this is the window of its right half */
    bool wide;  /* it takes two windows, each other's, mirrored: what is seen is split in the middle
                 */
    int32_t sum;
    struct jl_brush brush;
    const struct jl_smooth_shape *shape;
    jl_color paper;
    int32_t x;           /* of the window, pixels */
    int32_t first, last; /* places that are seen */
    struct jl_cut *upper, *lower;
    int32_t low, high; /* where the share changes first, and last */
    /* Behind all left sides and before all right ones, if there is such a place, all is whole. */
    int32_t whole_from, whole_to;
    struct jl_damage *damage; /* NULL: nobody wants to know, or the format tells it better */
    int32_t touched_from;     /* the first of the rows that were drawn last */
    struct {
        int16_t left, right;
    } touched[2];         /* their columns, first and last; none: left > right */
    int16_t change[ROOM]; /* of the share; the window begins at MARGIN */
};

static void cut_at(const struct painting *p, int32_t y, struct jl_cut *cut) {
    cut->left = p->x * 256;
    cut->count = 0;
    cut->joined = false;
    p->shape->cut(p->shape->context, y, cut);
}

static void change_by(int16_t *change, uint32_t area, int32_t sign) {
    *change = (int16_t)(*change + sign * (int32_t)area);
}

/* A side between two columns, for so many strips; what is right of it counts. Fewer than none: it
 * counts no more. In the pixels that it crosses the area grows by the square, then evenly. */
static void side(struct painting *p, int32_t a, int32_t b, int32_t strips) {
    if (a > b) {
        int32_t other = a;
        a = b;
        b = other;
    }
    if (a >= JL_CUT_WINDOW * 256) {
        a = b = JL_CUT_WINDOW * 256;
    } else if (b <= 0) {
        a = b = 0;
    }
    a += MARGIN * 256;
    b += MARGIN * 256;
    int32_t pixel = a >> 8, before = 256 - (a & 255), behind = b - (pixel + 1) * 256;
    bool ends = strips < 0;
    int32_t sign = ends ? -1 : 1;
    uint32_t lines = (uint32_t)(strips * sign), whole = lines * 256, area;
    int16_t *change = &p->change[pixel];
    p->low = pixel < p->low ? pixel : p->low;
    if (ends) {
        p->whole_to = pixel < p->whole_to ? pixel : p->whole_to;
    }
    if (behind <= 0) {
        area = (lines * (uint32_t)(before - behind) + ends) >> 1;
        change_by(change, area, sign);
    } else {
        /* Of the height for a column, in 1/4096; at most 2^16 where `before` is 256, and less than
         * 2^24 / `before` elsewhere. What is rounded is the same for a side that is mirrored. */
        uint32_t slope = (lines << 20) / (uint32_t)(before + behind), next;
        uint32_t middle = (uint32_t)before + 128;
        area = slope * (uint32_t)(before * before) >> 21;
        change_by(change, area, sign);
        for (; behind > 256; behind -= 256, middle += 256) {
            next = ends ? whole - (slope * (uint32_t)(behind - 128) >> 12) : slope * middle >> 12;
            change_by(++change, next - area, sign);
            area = next;
            pixel++;
        }
        next = whole - (slope * (uint32_t)(behind * behind) >> 21);
        change_by(++change, next - area, sign);
        area = next;
        pixel++;
    }
    change_by(change + 1, whole - area, sign);
    pixel++;
    p->high = pixel > p->high ? pixel : p->high;
    if (!ends) {
        p->whole_from = pixel > p->whole_from ? pixel : p->whole_from;
    }
}

/* Sides are left and right ends of spans, in turn: how many of a wide shape lie left of its middle.
 * Those right of it may be missing, beyond the window. */
static uint8_t left_sides(const struct painting *p, const struct jl_cut *cut) {
    uint8_t count = (uint8_t)(2 * cut->count);
    int32_t middle = (p->sum + 1) * 128 - p->x * 256;
    while (count && cut->ends[count - 1] > middle) {
        count--;
    }
    return count;
}

static inline uint8_t sides_of(const struct painting *p, const struct jl_cut *cut) {
    return !p->half ? (uint8_t)(2 * cut->count) : p->wide ? left_sides(p, cut) : cut->count;
}

static void sides(struct painting *p, const struct jl_cut *upper, const struct jl_cut *lower,
                  int32_t strips) {
    uint8_t count = sides_of(p, upper);
    for (uint8_t i = 0; i < count; i++, strips = -strips) {
        side(p, upper->ends[i], lower->ends[i], strips);
    }
}

/* Whether a side from one column to the other counts as straight, where it may go so far aside.
 * Beyond the window all columns are taken for its edge: what comes from there is not straight. */
static bool is_straight(int32_t a, int32_t b, int32_t square) {
    int32_t away = a - b;
    away *= away;
    return away <= square && (away <= JL_CUT_A_PIXEL || (a > JL_CUT_FIRST && b > JL_CUT_FIRST &&
                                                         a < JL_CUT_LAST && b < JL_CUT_LAST));
}

/* Whether the band from `y` down to the lower cut can be drawn at once. */
static bool is_even(const struct painting *p, int32_t y, int32_t lines) {
    const struct jl_cut *a = p->upper, *b = p->lower;
    int32_t square = a->count == b->count ? p->shape->aside(p->shape->context, y, y + lines) : -1;
    bool even = square >= 0;
    if (a->joined || b->joined) { /* spans may not be each other's */
        square = jl_tighter(square, JL_CUT_A_PIXEL);
    }
    uint8_t i = 0, end = sides_of(p, a);
    if (p->wide) { /* those of the other half have no say */
        end = left_sides(p, a);
        even = even && left_sides(p, b) == end;
        if (p->right) {
            i = end;
            end = (uint8_t)(2 * a->count);
        }
    }
    for (; i < end && even; i++) {
        even = is_straight(a->ends[i], b->ends[i], square);
    }
    return even;
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

/* The ink, with what a pixel's area leaves of what is there in the byte for it. */
static jl_color ink_over(jl_color ink, int32_t area) {
    return ink | ~(jl_color)((area * 255 + WHOLE / 2) >> 12) << 24;
}

/* The ink's share of such a color. */
static uint8_t share_left(jl_color color) {
    return (uint8_t)(255 - (color >> 24));
}

static void begin_row(struct painting *p) {
    p->low = ROOM;
    p->high = 0;
    p->whole_from = 0;
    p->whole_to = ROOM;
}

/* Where a run of empty or whole pixels ends: at the next change, if there is one. */
static int32_t run_end(const struct painting *p, int32_t x, bool whole) {
    if (whole && x >= p->whole_from && x < p->whole_to) {
        return p->whole_to <= p->last ? p->whole_to : p->last + 1;
    }
    do {
        x++;
    } while (x <= p->high && x <= p->last && !p->change[x]);
    return x > p->high || x > p->last ? p->last + 1 : x;
}

/* Rows that are told as damage together: so few pieces that a list of rectangles holds them. */
static int32_t rows_of_piece(int32_t first, int32_t last) {
    return ((last - first) * 3 >> 4) + 2;
}

/* A run of pixels is near one of the two parts, or begins the other. */
static void touch(struct painting *p, int32_t left, int32_t right) {
    uint8_t part = 0;
    enum { NEAR = 8 };
    if (p->touched[0].left <= p->touched[0].right &&
        (left > p->touched[0].right + NEAR || right < p->touched[0].left - NEAR)) {
        part = 1;
    }
    if (left < p->touched[part].left) {
        p->touched[part].left = (int16_t)left;
    }
    if (right > p->touched[part].right) {
        p->touched[part].right = (int16_t)right;
    }
}

static void forget(struct painting *p) {
    p->touched[0].left = p->touched[1].left = INT16_MAX;
    p->touched[0].right = p->touched[1].right = INT16_MIN;
}

static void tell(struct painting *p, int32_t from, int32_t to) {
    for (uint8_t i = 0; i < 2 && from <= to; i++) {
        int32_t left = p->touched[i].left, right = p->touched[i].right;
        if (left <= right) {
            p->damage->add(p->damage,
                           (struct jl_rect){(int16_t)left, (int16_t)from,
                                            (int16_t)(right - left + 1), (int16_t)(to - from + 1)},
                           p->brush.target->patience_px);
        }
    }
}

/* Rows that are drawn alike. */
struct rows {
    int32_t first, step, count;
};

/* The column that is another's, mirrored. */
static int32_t mirrored(const struct painting *p, int32_t x) {
    return p->sum - x;
}

/* All areas lie within what is seen: nothing is left to be cut but on turned targets and the like.
 */
static void fill_run(struct painting *p, const struct rows *rows, int32_t x, int32_t width) {
    struct jl_target *target = p->brush.target;
    struct jl_rect run = {(int16_t)x, (int16_t)rows->first, (int16_t)width, 1};
    int32_t fills = rows->count;
    if (rows->step == 1) {
        run.h = (int16_t)rows->count;
        fills = 1;
    }
    if (p->damage) {
        touch(p, x, x + width - 1);
    }
    for (; fills; fills--) {
        if (target->painter) {
            jl_brush_fill(&p->brush, run);
        } else {
            jl_ops_of(target)->fill(target, run, p->brush.ink);
        }
        run.y = (int16_t)(run.y + rows->step);
    }
}

/* Whole pixels of a row: in its middle, or on either side. */
static void fill_halves(struct painting *p, const struct rows *rows, int32_t x, int32_t width) {
    int32_t other = mirrored(p, x + width - 1);
    bool meets = p->half && other <= x + width;
    fill_run(p, rows, x, meets ? other + width - x : width);
    if (p->half && !meets) {
        fill_run(p, rows, other, width);
    }
}

static void put_rows(struct painting *p, const struct rows *rows, int32_t x, int16_t width,
                     const jl_color *row) {
    struct jl_target *target = p->brush.target;
    int32_t y = rows->first;
    for (int32_t i = 0; i < rows->count; i++) {
        jl_ops_of(target)->put(target, (int16_t)x, (int16_t)y, width, row);
        y += rows->step;
    }
}

/* Both halves of two rows or of others, where put() mixes. */
static void put_halves(struct painting *p, const struct rows *rows, int32_t x, int16_t width,
                       jl_color *row) {
    struct jl_target *target = p->brush.target;
    int32_t other = mirrored(p, x + width - 1);
    if (other == x + width - 1) { /* the middle one is its own other */
        width--;
        put_rows(p, rows, other++, 1, &row[width]);
        if (width == 0) {
            return;
        }
    }
    if (p->damage) {
        touch(p, other, other + width - 1);
    }
    if (rows->count == 2 && jl_ops_of(target)->corners) {
        struct jl_rect area = {(int16_t)x, (int16_t)rows->first, (int16_t)(mirrored(p, x) - x + 1),
                               (int16_t)(rows->step + 1)};
        jl_ops_of(target)->corners(target, &area, width, row);
        return;
    }
    put_rows(p, rows, x, width, row);
    for (int16_t i = 0, j = (int16_t)(width - 1); i < j; i++, j--) {
        jl_color color = row[i];
        row[i] = row[j];
        row[j] = color;
    }
    put_rows(p, rows, other, width, row);
}

/* The shares as bytes, where the colors were. */
static const uint8_t *only_shares(jl_color *row, int16_t width) {
    uint8_t *shares = (uint8_t *)row;
    for (int16_t i = 0; i < width; i++) {
        shares[i] = share_left(row[i]);
    }
    return shares;
}

static void mix_run(struct painting *p, const struct rows *rows, int32_t x, int16_t width,
                    jl_color *row) {
    if (p->damage) {
        touch(p, x, x + width - 1);
    }
    if (!p->mixes) {
        const uint8_t *shares = only_shares(row, width);
        int32_t y = rows->first;
        for (int32_t i = 0; i < rows->count; i++, y += rows->step) {
            jl_paint_cover(p->brush.target, (int16_t)x, (int16_t)y, width, shares, p->brush.color,
                           p->paper);
        }
        return;
    }
    if (p->paper != JL_CLEAR) {
        for (int16_t i = 0; i < width; i++) {
            uint8_t share = share_left(row[i]);
            row[i] = share ? jl_color_mix(p->paper, p->brush.color, share) : row[i];
        }
    }
    if (p->half) {
        put_halves(p, rows, x, width, row);
    } else {
        put_rows(p, rows, x, width, row);
    }
}

/* Draws what was added up in so many rows. Whole pixels are filled, others mixed. */
static void draw_rows(struct painting *p, const struct rows *rows) {
    jl_color row[JL_CHUNK];
    const jl_color ink = p->brush.color;
    int32_t area = 0, left = p->x - MARGIN; /* of place 0 */
    int32_t x = p->low;
    while (x < p->first && x <= p->high) {
        area += p->change[x++];
    }
    for (x = x < p->first ? p->first : x; x <= p->last;) {
        int32_t start = x;
        area += p->change[x];
        if (area <= 0 || area >= WHOLE) {
            x = run_end(p, x, area > 0);
            if (area > 0) {
                fill_halves(p, rows, left + start, x - start);
            }
            continue;
        }
        uint32_t count = 0;
        while (area > 0 && area < WHOLE && count < JL_CHUNK && x <= p->last) {
            row[count++] = ink_over(ink, area);
            area += p->change[++x];
        }
        area -= p->change[x]; /* it is added at the top */
        mix_run(p, rows, left + start, (int16_t)count, row);
    }
}

static void clear_changes(struct painting *p, int32_t from, int32_t to) {
    for (int16_t *change = &p->change[from]; change <= &p->change[to]; change++) {
        *change = 0;
    }
}

/* Nothing changes where all is whole. */
static void clear_row(struct painting *p) {
    if (p->whole_from < p->whole_to && p->whole_to <= p->high) {
        clear_changes(p, p->low, p->whole_from);
        clear_changes(p, p->whole_to, p->high);
    } else {
        clear_changes(p, p->low, p->high);
    }
}

/* Rows from y to `last` that are the same as row y: one, or more where the shape is level. */
static int32_t same_rows(const struct jl_smooth_shape *shape, int32_t y, int32_t last) {
    int32_t line = y * JL_CUT_LINES;
    if (line < shape->level_top || shape->level_bottom < line + JL_CUT_LINES) {
        return 1;
    }
    int32_t end = shape->level_bottom / JL_CUT_LINES;
    return (end <= last ? end : last + 1) - y;
}

/* The rows since the last piece, up to one, and those that were drawn with them. */
static void tell_piece(struct painting *p, int32_t to, int32_t of_pair, int32_t first,
                       int32_t last) {
    int32_t other_from = of_pair - to, other_to = of_pair - p->touched_from;
    tell(p, p->touched_from, to);
    if (other_to > to && other_from <= last) {
        tell(p, other_from > first ? other_from : first, other_to < last ? other_to : last);
    }
    p->touched_from = to + 1;
    forget(p);
}

/* On a wire the runs of a row had better follow each other: they share half of an address. */
static bool is_in_memory(const struct jl_target *target) {
    return jl_ops_of(target) && jl_ops_of(target)->dot;
}

/* Adds up a row. Of one that is drawn by halves only the left sides are added; in the pixel in its
 * middle, if there is one, the right ones cover as much less as the left ones do. */
static void add_halves(struct painting *p, int32_t y) {
    begin_row(p);
    add_row(p, y);
    if (p->half && p->high > p->last && !(p->sum & 1)) {
        p->change[p->last] = (int16_t)(p->change[p->last] - p->change[p->last + 1]);
    }
}

static void draw_smooth(struct painting *p, int32_t first, int32_t last) {
    const struct jl_smooth_shape *shape = p->shape;
    /* Rows of a shape that is mirrored about the edge or the middle of one are drawn in pairs. */
    int32_t sum = shape->top + shape->bottom, of_pair = sum / JL_CUT_LINES - 1;
    bool pairs = shape->mirrored && sum % JL_CUT_LINES == 0;
    bool in_memory = is_in_memory(p->brush.target);
    int32_t cut_row = first - 1; /* at whose top the upper cut is */
    int32_t piece = rows_of_piece(first, last), drawn = first - 1;
    p->touched_from = first;
    forget(p);
    memset(p->change, 0, sizeof p->change);
    for (int32_t y = first, rows; y <= last; y += rows) {
        int32_t other = of_pair - y;
        if (pairs && other >= first && other < y) {
            rows = other - first + 1; /* drawn with the others */
            continue;
        }
        if (cut_row != y) {
            cut_at(p, y * JL_CUT_LINES, p->upper);
        }
        if (p->damage && p->touched[0].left > p->touched[0].right) {
            p->touched_from = y;
        }
        add_halves(p, y * JL_CUT_LINES);
        rows = same_rows(shape, y, last);
        drawn = y + rows - 1;
        bool has_pair = pairs && other > y && other <= last && rows == 1;
        struct rows now = {y, 1, rows};
        if (has_pair && in_memory) {
            now.step = other - y;
            now.count = 2;
        }
        draw_rows(p, &now);
        if (has_pair && !in_memory) {
            now.first = other;
            draw_rows(p, &now);
        }
        cut_row = rows > 1 ? first - 1 : y + 1;
        clear_row(p);
        if (p->damage && (drawn - p->touched_from >= piece || drawn == last || rows > 1)) {
            tell_piece(p, drawn, pairs ? of_pair : 2 * last + 1, first, last);
        }
    }
    if (p->damage) {
        tell_piece(p, drawn, pairs ? of_pair : 2 * last + 1, first, last);
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
            to = to > p->last - MARGIN ? p->last - MARGIN : to;
            if (from <= to) {
                jl_brush_fill(&p->brush, (struct jl_rect){(int16_t)(p->x + from), (int16_t)y,
                                                          (int16_t)(to - from + 1), 1});
            }
        }
    }
}

/* The window that begins at x, of which the pixels from one to another are drawn. */
static void draw_window(struct painting *p, int32_t x, int32_t from, int32_t to, int32_t first,
                        int32_t last) {
    if (from >= to) {
        return;
    }
    p->x = x;
    p->first = MARGIN + from - x;
    p->last = MARGIN + to - 1 - x;
    if (p->hard) {
        draw_hard(p, first, last);
    } else {
        draw_smooth(p, first, last);
    }
}

bool jl_smooth_is_hard(const struct jl_target *target, jl_color paper) {
    return target->mode == JL_MODE_INVERT ||
           (jl_ops_of(target) && (!(jl_ops_of(target)->shades & JL_SHADES_SHOWN) ||
                                  (paper == JL_CLEAR && !jl_ops_of(target)->get)));
}

void jl_smooth_paint(struct jl_target *target, const struct jl_smooth_shape *shape, jl_color ink,
                     jl_color paper) {
    struct jl_cut cuts[2];
    struct painting p;
    struct jl_rect seen = jl_paint_visible(target);
    int32_t left = shape->left >> 8, end = (shape->right + 255) >> 8;
    int32_t first = shape->top >> 5, last = (shape->bottom - 1) >> 5;
    if (ink == JL_CLEAR) {
        return;
    }
    p.brush = jl_brush_of(target, ink);
    /* Turned targets and hard edges tell their damage as they go. */
    p.hard = jl_smooth_is_hard(target, paper);
    bool by_pieces = !p.hard && !target->painter;
    p.damage = by_pieces ? jl_paint_swap_damage(target, NULL) : NULL;
    p.shape = shape;
    p.paper = paper;
    p.mixes = jl_ops_of(target) && !target->painter && jl_ops_of(target)->shades & JL_SHADES_MIXED;
    p.sum = ((shape->left + shape->right) >> 8) - 1;
    int32_t middle = (p.sum >> 1) + 1;
    bool by_halves = shape->mirrored && ((shape->left + shape->right) & 255) == 0 &&
                     middle - left <= JL_CUT_WINDOW;
    p.right = false;
    p.wide = by_halves && !p.hard && end - left > JL_CUT_WINDOW;
    p.half =
        by_halves && p.mixes && is_in_memory(target) && left >= seen.x && end <= seen.x + seen.w;
    p.upper = &cuts[0];
    p.lower = &cuts[1];
    left = left > seen.x ? left : seen.x;
    end = end < (int32_t)seen.x + seen.w ? end : (int32_t)seen.x + seen.w;
    first = first > seen.y ? first : seen.y;
    last = last < (int32_t)seen.y + seen.h ? last : (int32_t)seen.y + seen.h - 1;
    jl_shape_begins(target, end - left, last - first);
    /* Windows begin at the same places whatever is seen, so that roundings are the same. */
    int32_t x = shape->left >> 8;
    if (p.half || p.wide) {
        draw_window(&p, x, left, end < middle ? end : middle, first, last);
        if (!p.half) {
            p.right = true;
            draw_window(&p, p.sum + 1 - JL_CUT_WINDOW - x, left > middle ? left : middle, end,
                        first, last);
        }
    } else {
        for (int32_t next; x < end; x = next) {
            next = x + JL_CUT_WINDOW;
            draw_window(&p, x, left > x ? left : x, end < next ? end : next, first, last);
        }
    }
    jl_shape_ends(target);
    if (by_pieces) {
        jl_paint_swap_damage(target, p.damage);
    }
}
