/*
 * Formats of whole bytes a pixel. Included by one file a format, which defines BYTES, and
 * the functions pack() (a colour to a pixel, its first byte lowest) and unpack().
 */
#include "format.h"
#include "words.h"

static inline uint32_t pack(jl_color color);
static inline jl_color unpack(uint32_t pixel);

/* Byte by byte: pixels may lie at any address. Compilers join what the processor can do at once. */
static inline void store(uint8_t *out, uint32_t pixel) {
    out[0] = (uint8_t)pixel;
#if BYTES > 1
    out[1] = (uint8_t)(pixel >> 8);
#endif
#if BYTES > 2
    out[2] = (uint8_t)(pixel >> 16);
#endif
#if BYTES > 3
    out[3] = (uint8_t)(pixel >> 24);
#endif
}

static inline uint32_t load(const uint8_t *in) {
    uint32_t pixel = in[0];
#if BYTES > 1
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

static inline uint8_t *pixel_at(const struct jl_frame *frame, int x, int y) {
    return jl_format_line(frame, y, 0) + (size_t)jl_format_column(frame, x) * BYTES;
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

static uint32_t ink_of(const struct jl_target *target, jl_color color) {
    (void)target;
    return pack(color);
}

#if BYTES <= 2 && defined JL_LONG_STORES
/* Row by row; pixels of two bytes lie at even addresses, or all at odd ones. */
static void fill_area(uint8_t *line, const struct jl_frame *frame, struct jl_rect area,
                      uint32_t ink) {
    uint32_t pair = BYTES == 1 ? ink * 0x0101u : ink;
    for (int y = 0; y < area.h; y++, line += frame->stride_bytes) {
        if (area.w == 1) {
            line[0] = (uint8_t)ink;
            line[BYTES - 1] = (uint8_t)(ink >> 8 * (BYTES - 1));
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

/* Partly transparent colours are mixed; of two mixtures of the same the second is known. */
static void put(struct jl_target *target, int16_t x, int16_t y, int16_t count,
                const jl_color *row) {
    struct jl_frame *frame = (struct jl_frame *)target;
    uint8_t *at = pixel_at(frame, x, y);
    jl_color mixed = JL_CLEAR;
    uint32_t below = 0, mixture = 0;
    for (int i = 0; i < count; i++, at += BYTES) {
        jl_color color = row[i];
        uint32_t transparency = color >> 24;
        if (transparency == 0) {
            store(at, pack(color));
        } else if (transparency < 255) {
            uint32_t now = load(at);
            if (color != mixed || now != below) {
                mixed = color;
                below = now;
                mixture = pack(jl_color_mix(color, unpack(now), (uint8_t)transparency));
            }
            store(at, mixture);
        }
    }
    jl_format_changed(frame, (struct jl_rect){x, y, count, 1});
}

static void get(const struct jl_target *target, int16_t x, int16_t y, int16_t count,
                jl_color *row) {
    const uint8_t *at = pixel_at((const struct jl_frame *)target, x, y);
    for (int i = 0; i < count; i++, at += BYTES) {
        row[i] = unpack(load(at));
    }
}

static void stencil(struct jl_target *target, struct jl_rect area, const struct jl_bitmap *map,
                    int16_t map_x, int16_t map_y, jl_color ink, jl_color paper) {
    struct jl_frame *frame = (struct jl_frame *)target;
    bool draws_ink = ink != JL_CLEAR, draws_paper = paper != JL_CLEAR;
    uint32_t ink_pixel = pack(ink), paper_pixel = pack(paper);
    if (!draws_ink && !draws_paper) {
        return;
    }
    for (int y = 0; y < area.h; y += 8) {
        uint8_t *top = pixel_at(frame, area.x, area.y + y);
        int rows = area.h - y < 8 ? area.h - y : 8;
        for (int x = 0; x < area.w; x++, top += BYTES) {
            unsigned bits = map->order->column(map, map_x + x, map_y + y);
            uint8_t *at = top;
            if (draws_ink && draws_paper) {
                for (int row = rows; row; row--, bits >>= 1, at += frame->stride_bytes) {
                    store(at, bits & 1 ? ink_pixel : paper_pixel);
                }
                continue;
            }
            /* Runs of what is not drawn are passed by; behind the last set bit is nothing. */
            uint32_t pixel = draws_ink ? ink_pixel : paper_pixel;
            bits = (draws_ink ? bits : ~bits) & (0xFFu >> (8 - rows));
            for (; bits; bits >>= 1, at += frame->stride_bytes) {
                if (bits & 1) {
                    store(at, pixel);
                }
            }
        }
    }
    jl_format_changed(frame, area);
}

#define BYTES_FORMAT(its_layout, r, g, b)                                                          \
    {                                                                                              \
        .ops = {.ink = ink_of,                                                                     \
                .fill = fill,                                                                      \
                .stencil = stencil,                                                                \
                .put = put,                                                                        \
                .get = get,                                                                        \
                .shades = JL_SHADES_SHOWN | JL_SHADES_MIXED},                                      \
        .column_bits = BYTES * 8, .bits_per_pixel = BYTES * 8, .planes = 1, .line_rows_log2 = 0,   \
        .channel_bits = {r, g, b}, .layout = its_layout,                                           \
        .window_price_px = 12 / BYTES /* 2A, 2B and 2C of a MIPI DCS part: 11 bytes */             \
    }
