/*
 * Formats of whole bytes a pixel. Included by one file a format, which defines BYTES, and
 * the functions pack() (a colour to a pixel, its first byte lowest, or of two bytes highest where
 * it defines HIGH_FIRST) and unpack(); WHITE_IS_ONES, the pixel of white, where its bits are all
 * ones; and MIXES where it has a mix() that is quicker than through them.
 */
#include "../core/lanes.h"
#include "../core/map_columns.h"
#include "format.h"
#include "words.h"

/* In loops over pixels, compilers for size had better not call a function for each, and keep the
 * loops by themselves: there are few registers. */
#ifdef __GNUC__
#define EACH_PIXEL static inline __attribute__((always_inline))
#define PIXEL_LOOP static __attribute__((noinline))
#else
#define EACH_PIXEL static inline
#define PIXEL_LOOP static
#endif

EACH_PIXEL uint32_t pack(jl_color color);
EACH_PIXEL jl_color unpack(uint32_t pixel);

/* A pixel and a colour over it that is transparent by its top byte. */
#ifdef MIXES
EACH_PIXEL uint32_t mix(jl_color color, uint32_t below);
#ifdef JL_LANES
EACH_PIXEL void mix_lanes(uint8_t *at, const struct jl_over_lanes *over);
#endif
#else
EACH_PIXEL uint32_t mix(jl_color color, uint32_t below) {
    return pack(jl_color_mix(color, unpack(below), (uint8_t)(color >> 24)));
}
#endif

/* Byte by byte: pixels may lie at any address. Compilers join what the processor can do at once. */
EACH_PIXEL void store(uint8_t *out, uint32_t pixel) {
#ifdef HIGH_FIRST
    out[1] = (uint8_t)pixel;
    out[0] = (uint8_t)(pixel >> 8);
#else
    out[0] = (uint8_t)pixel;
#endif
#if BYTES > 1 && !defined HIGH_FIRST
    out[1] = (uint8_t)(pixel >> 8);
#endif
#if BYTES > 2
    out[2] = (uint8_t)(pixel >> 16);
#endif
#if BYTES > 3
    out[3] = (uint8_t)(pixel >> 24);
#endif
}

EACH_PIXEL uint32_t load(const uint8_t *in) {
#ifdef HIGH_FIRST
    uint32_t pixel = (uint32_t)in[0] << 8 | in[1];
#else
    uint32_t pixel = in[0];
#endif
#if BYTES > 1 && !defined HIGH_FIRST
    pixel |= (uint32_t)in[1] << 8;
#endif
#if BYTES > 2
    pixel |= (uint32_t)in[2] << 16;
#endif
#if BYTES > 3
    pixel |= (uint32_t)in[3] << 24;
#endif
    return pixel;
}

EACH_PIXEL uint8_t *place_of(const struct jl_frame *frame, int x, int y) {
    return jl_format_line(frame, y, 0) + (size_t)jl_format_column(frame, x) * BYTES;
}

static uint8_t *pixel_at(const struct jl_frame *frame, int x, int y) {
    return place_of(frame, x, y);
}

#if BYTES > 2 || !defined JL_LONG_STORES
/*
 * The first stretch pixel by pixel, the rest by copying it: memcpy is the fastest store
 * loop there is on any machine, and the stretch stays in the nearest cache.
 */
enum { STRETCH_BYTES = 12288 };

static void fill_bytes(uint8_t *to, size_t bytes, uint32_t pixel) {
    bool even = true; /* black, white and other pixels of equal bytes */
    for (int i = 1; i < BYTES; i++) {
        even = even && (uint8_t)(pixel >> (8 * i)) == (uint8_t)pixel;
    }
    if (even) {
        memset(to, (uint8_t)pixel, bytes);
        return;
    }
    size_t first = bytes < 8 * BYTES ? bytes : 8 * BYTES;
    for (size_t i = 0; i < first; i += BYTES) {
        store(to + i, pixel);
    }
    /* Doubling up to a stretch, then whole stretches. */
    size_t done = first;
    while (done < bytes) {
        size_t part = done < STRETCH_BYTES ? done : STRETCH_BYTES / (8 * BYTES) * (8 * BYTES);
        part = part < bytes - done ? part : bytes - done;
        memcpy(to + done, to, part);
        done += part;
    }
}
#endif

/* For a shape or a text at a time. */
static uint32_t ink_of(jl_color color, const struct jl_target *target) {
    (void)target;
#ifdef WHITE_IS_ONES
    if (color == JL_BLACK || color == JL_WHITE) { /* the most usual ones, without arithmetic */
        return color & WHITE_IS_ONES;
    }
#endif
    return pack(color);
}

#if BYTES <= 2 && defined JL_LONG_STORES
/* Row by row; pixels of two bytes lie at even addresses, or all at odd ones. */
static void fill_area(uint8_t *line, const struct jl_frame *frame, struct jl_rect area,
                      uint32_t ink) {
    uint32_t pair = ink;
#ifdef HIGH_FIRST
    pair = (ink >> 8 | ink << 8) & 0xFFFF;
#elif BYTES == 1
    pair = ink * 0x0101u;
#endif
    for (int y = 0; y < area.h; y++, line += frame->stride_bytes) {
        if (area.w == 1) {
            store(line, ink);
        } else {
            jl_store_words(line, (size_t)area.w * BYTES, pair * 0x00010001u);
        }
    }
}
#else
static void fill_area(uint8_t *first, const struct jl_frame *frame, struct jl_rect area,
                      uint32_t ink) {
    size_t row_bytes = (size_t)area.w * BYTES, rows = (size_t)area.h;
    if (row_bytes == frame->stride_bytes) {
        fill_bytes(first, row_bytes * rows, ink);
        return;
    }
    fill_bytes(first, row_bytes, ink);
    uint8_t *line = first;
    for (int y = 1; y < area.h; y++) {
        line += frame->stride_bytes;
        memcpy(line, first, row_bytes);
    }
}
#endif

static void fill(struct jl_target *target, struct jl_rect area, uint32_t ink) {
    struct jl_frame *frame = (struct jl_frame *)target;
    fill_area(pixel_at(frame, area.x, area.y), frame, area, ink);
    jl_format_changed(frame, area);
}

static unsigned dot(uint32_t ink, struct jl_target *target, int16_t x, int16_t y) {
    store(place_of((struct jl_frame *)target, x, y), ink);
    return 1;
}

/* A run of partly transparent pixels, mixed with what is there; of two mixtures of the same the
 * second is known. Returns behind the run, or further: a solid pixel mixes to itself. */
PIXEL_LOOP const jl_color *mix_run(uint8_t *at, const jl_color *row, const jl_color *end) {
    jl_color mixed = JL_CLEAR;
    uint32_t below = 0, pixel = 0;
#if defined MIXES && defined JL_LANES
    if (end - row >= JL_LANES) {
        const jl_color *first = row;
        struct jl_over_lanes over = jl_over_lanes_of(row);
        for (; end - row >= JL_LANES; row += JL_LANES, at += JL_LANES * BYTES) {
            if (row > first && !jl_lanes_as_before(row)) {
                over = jl_over_lanes_of(row);
            }
            mix_lanes(at, &over);
        }
    }
#endif
    for (; row < end && *row >> 24; row++, at += BYTES) {
        jl_color color = *row;
        if (color >= JL_CLEAR) {
            continue;
        }
        uint32_t now = load(at);
        if (color != mixed || now != below) {
            mixed = color;
            below = now;
            pixel = mix(color, now);
        }
        store(at, pixel);
    }
    return row;
}

/* A run of solid ones; neighbours are often alike. */
PIXEL_LOOP const jl_color *pack_run(uint8_t *at, const jl_color *row, const jl_color *end) {
    jl_color packed = JL_CLEAR;
    uint32_t pixel = 0;
    for (; row < end && !(*row >> 24); row++, at += BYTES) {
        if (*row != packed) {
            packed = *row;
            pixel = pack(packed);
        }
        store(at, pixel);
    }
    return row;
}

static void put(struct jl_target *target, int16_t x, int16_t y, int16_t count,
                const jl_color *row) {
    struct jl_frame *frame = (struct jl_frame *)target;
    uint8_t *at = pixel_at(frame, x, y);
    const jl_color *end = row + count;
    while (row < end) {
        const jl_color *behind = *row >> 24 ? mix_run(at, row, end) : pack_run(at, row, end);
        at += (size_t)(behind - row) * BYTES;
        row = behind;
    }
    jl_format_changed(frame, (struct jl_rect){x, y, count, 1});
}

/* What is the same below is mixed once. */
static void corners(struct jl_target *target, const struct jl_rect *area, int16_t count,
                    const jl_color *row) {
    struct jl_frame *frame = (struct jl_frame *)target;
    uint8_t *at = pixel_at(frame, area->x, area->y);
    size_t aside = (size_t)(area->w - 1) * BYTES;
    const size_t down = (size_t)(area->h - 1) * frame->stride_bytes;
    for (const jl_color *end = row + count; row < end; row++, at += BYTES, aside -= 2 * BYTES) {
        uint8_t *const places[4] = {at, at + aside, at + down, at + down + aside};
        uint32_t below = load(at), pixel;
        (void)(*row >> 24 ? mix_run : pack_run)(at, row, row + 1);
        pixel = load(at);
        for (int i = 1; i < 4; i++) {
            if (load(places[i]) != below) {
                (void)(*row >> 24 ? mix_run : pack_run)(places[i], row, row + 1);
            } else {
                store(places[i], pixel);
            }
        }
    }
}

#if defined MIXES && defined JL_LANES
enum { HALF = JL_LANES / 2, HALF_BYTES = HALF * BYTES };

/* Four shares from the given one on. */
EACH_PIXEL uint16_t four_shares(const uint8_t *shares, int first) {
    const uint8_t *at = shares + first / 2;
    uint32_t bits = (uint32_t)at[0] << 8 | at[1];
    return (uint16_t)(first & 1 ? bits << 4 | at[2] >> 4 : bits);
}

/* A row of less than four pixels. */
EACH_PIXEL void tint_few(uint8_t *at, const uint8_t *shares, int odd, int count, jl_color ink) {
    for (int i = odd; i < odd + count; i++, at += BYTES) {
        uint32_t share = (i & 1 ? shares[i / 2] & 15u : shares[i / 2] >> 4) * 17u;
        store(at, mix(ink | (255 - share) << 24, load(at)));
    }
}

/* The end of a row of four pixels or more, of which less than eight are not mixed yet: the last
 * four, and four others at once. In both groups the same comes out for the same pixel, and what
 * was mixed before gets no ink. */
EACH_PIXEL void tint_end(uint8_t *line, const uint8_t *shares, int odd, int done, int count,
                         jl_color ink) {
    int other = count - done > HALF ? done : count - HALF;
    uint16_t shares_there = four_shares(shares, odd + count - HALF), others = shares_there;
    if (other == done) {
        others = four_shares(shares, odd + done);
    } else {
        others = shares_there &= (uint16_t)((1u << 4 * (count - done)) - 1);
    }
    uint8_t *first = line + (size_t)other * BYTES, both[2 * HALF_BYTES];
    uint8_t *last = line + (size_t)(count - HALF) * BYTES;
    struct jl_over_lanes over = jl_tint_lanes_of(ink, others, shares_there);
    memcpy(both, first, HALF_BYTES);
    memcpy(both + HALF_BYTES, last, HALF_BYTES);
    mix_lanes(both, &over);
    memcpy(first, both, HALF_BYTES);
    memcpy(last, both + HALF_BYTES, HALF_BYTES);
}

static void tint(struct jl_target *target, const struct jl_tint *tint) {
    struct jl_frame *frame = (struct jl_frame *)target;
    uint8_t *line = pixel_at(frame, tint->area.x, tint->area.y);
    const uint8_t *shares = tint->shares;
    const int count = tint->area.w, odd = tint->odd;
    for (int y = tint->area.h; y; y--, line += frame->stride_bytes, shares += tint->stride_bytes) {
        int x = 0;
        for (; x + JL_LANES <= count; x += JL_LANES) {
            struct jl_over_lanes over = jl_tint_lanes_of(tint->ink, four_shares(shares, odd + x),
                                                         four_shares(shares, odd + x + HALF));
            mix_lanes(line + (size_t)x * BYTES, &over);
        }
        if (count < HALF) {
            tint_few(line, shares, odd, count, tint->ink);
        } else if (x < count) {
            tint_end(line, shares, odd, x, count, tint->ink);
        }
    }
    jl_format_changed(frame, tint->area);
}
#endif

static void get(const struct jl_target *target, int16_t x, int16_t y, int16_t count,
                jl_color *row) {
    const uint8_t *at = pixel_at((const struct jl_frame *)target, x, y);
    for (int i = 0; i < count; i++, at += BYTES) {
        row[i] = unpack(load(at));
    }
}

#if BYTES == 2 && defined JL_LONG_STORES
/* Up to 8 rows of columns: paper twice, and how ink differs from it. */
struct halves {
    size_t stride;
    int rows;
    uint32_t papers, differ;
};

/* Two columns side by side, their bits 16 apart: the product with how ink differs from paper is
 * that difference for each one that is set. */
PIXEL_LOOP void two_columns(uint8_t *at, uint32_t bits, const struct halves *h) {
    size_t stride = h->stride;
    uint32_t papers = h->papers, differ = h->differ;
    int rows = h->rows;
    do { /* compilers for size test at the top of other loops, and jump there */
        *(jl_word *)(void *)at = papers ^ (bits & 0x00010001u) * differ;
        bits >>= 1;
        at += stride;
    } while (--rows);
}

PIXEL_LOOP void one_column(uint8_t *at, uint32_t bits, const struct halves *h) {
    int rows = h->rows;
    do {
        *(jl_half *)(void *)at = (uint16_t)(h->papers ^ (bits & 1) * h->differ);
        bits >>= 1;
        at += h->stride;
    } while (--rows);
}

/* Up to 8 rows of some columns, opaque, at even addresses. */
PIXEL_LOOP void halves_opaque(uint8_t *top, size_t stride, const uint8_t *columns, int count,
                              int rows, const uint32_t pixels[2]) {
    uint16_t stored[2];
    store((uint8_t *)&stored[0], pixels[0]);
    store((uint8_t *)&stored[1], pixels[1]);
    struct halves h = {stride, rows, stored[0] * 0x00010001u, stored[0] ^ stored[1]};
    const uint8_t *last = columns + count - 1;
    while (columns <= last) {
        uint32_t bits = *columns++;
        if (columns <= last && !(((uintptr_t)top | stride) & 3)) {
            two_columns(top, bits | (uint32_t)*columns++ << 16, &h);
            top += 4;
        } else {
            one_column(top, bits, &h);
            top += 2;
        }
    }
}
#endif

/* Up to 8 rows of some columns, where each pixel is ink or paper. */
PIXEL_LOOP void bytes_opaque(uint8_t *top, size_t stride, const uint8_t *columns, int count,
                             int rows, const uint32_t pixels[2]) {
    uint32_t paper = pixels[0], ink = pixels[1];
    for (; count; count--, top += BYTES) {
        unsigned bits = *columns++;
        uint8_t *at = top;
        for (int row = rows; row; row--, bits >>= 1, at += stride) {
            if (bits & 1) {
                store(at, ink);
            } else {
                store(at, paper);
            }
        }
    }
}

EACH_PIXEL void rows_opaque(uint8_t *top, size_t stride, const uint8_t *columns, int count,
                            int rows, const uint32_t pixels[2]) {
#if BYTES == 2 && defined JL_LONG_STORES
    if (!(((uintptr_t)top | stride) & 1)) {
        halves_opaque(top, stride, columns, count, rows, pixels);
        return;
    }
#endif
    bytes_opaque(top, stride, columns, count, rows, pixels);
}

/* The same where only set bits are drawn, or clear ones, which are flipped; behind the last one
 * nothing is looked at. */
PIXEL_LOOP void rows_clear(uint8_t *top, size_t stride, const uint8_t *columns, int count,
                           unsigned mask, bool flipped, uint32_t ink) {
    for (; count; count--, top += BYTES) {
        unsigned bits = *columns++;
        bits = (flipped ? ~bits : bits) & mask;
        for (uint8_t *at = top; bits; bits >>= 1, at += stride) {
            if (bits & 1) {
                store(at, ink);
            }
        }
    }
}

static void stencil(struct jl_target *target, const struct jl_stencil *s) {
    struct jl_rect area = s->area;
    jl_color ink = s->ink, paper = s->paper;
    struct jl_frame *frame = (struct jl_frame *)target;
    uint32_t pixels[2] = {ink_of(paper, target), ink_of(ink, target)};
    if (ink == JL_CLEAR && paper == JL_CLEAR) {
        return;
    }
    for (int y = 0; y < area.h; y += 8) {
        uint8_t *at = pixel_at(frame, area.x, area.y + y);
        int rows = area.h - y < 8 ? area.h - y : 8;
        for (int x = 0; x < area.w; x += JL_CHUNK, at += JL_CHUNK * BYTES) {
            uint8_t columns[JL_CHUNK];
            int count = area.w - x < JL_CHUNK ? area.w - x : JL_CHUNK;
            jl_map_columns(s->map, s->map_x + x, s->map_y + y, count, columns);
            if (ink != JL_CLEAR && paper != JL_CLEAR) {
                rows_opaque(at, frame->stride_bytes, columns, count, rows, pixels);
            } else {
                rows_clear(at, frame->stride_bytes, columns, count, 0xFFu >> (8 - rows),
                           ink == JL_CLEAR, pixels[ink != JL_CLEAR]);
            }
        }
    }
    jl_format_changed(frame, area);
}

#if defined MIXES && defined JL_LANES
#define TINT tint
#else
#define TINT NULL
#endif

#define BYTES_FORMAT(its_layout, r, g, b)                                                          \
    {                                                                                              \
        .ops = {.ink = ink_of,                                                                     \
                .fill = fill,                                                                      \
                .stencil = stencil,                                                                \
                .put = put,                                                                        \
                .get = get,                                                                        \
                .dot = dot,                                                                        \
                .corners = corners,                                                                \
                .tint = TINT,                                                                      \
                .shades = JL_SHADES_SHOWN | JL_SHADES_MIXED},                                      \
        .column_bits = BYTES * 8, .bits_per_pixel = BYTES * 8, .planes = 1, .line_rows_log2 = 0,   \
        .channel_bits = {r, g, b}, .layout = its_layout,                                           \
        .window_price_px = 12 / BYTES /* 2A, 2B and 2C of a MIPI DCS part: 11 bytes */             \
    }
