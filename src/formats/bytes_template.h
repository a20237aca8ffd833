/*
 * Formats of whole bytes a pixel. Included by one file a format, which defines BYTES, and
 * the functions pack() (a colour to BYTES bytes) and unpack().
 */
#include "format.h"
#include "words.h"

static inline void pack(uint8_t *out, jl_color color);
static inline jl_color unpack(const uint8_t *in);

static inline void copy_pixel(uint8_t *out, const uint8_t *pixel) {
    for (int i = 0; i < BYTES; i++) {
        out[i] = pixel[i];
    }
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

static void fill_bytes(uint8_t *to, size_t bytes, const uint8_t *pixel) {
    bool even = true; /* black, white and other pixels of equal bytes */
    for (int i = 1; i < BYTES; i++) {
        even = even && pixel[i] == pixel[0];
    }
    if (even) {
        memset(to, pixel[0], bytes);
        return;
    }
    size_t first = bytes < 8 * BYTES ? bytes : 8 * BYTES;
    for (size_t i = 0; i < first; i += BYTES) {
        copy_pixel(to + i, pixel);
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

/* The bytes of a pixel, the first one lowest. */
static uint32_t ink_of(const struct jl_target *target, jl_color color) {
    uint8_t pixel[BYTES];
    uint32_t ink = 0;
    (void)target;
    pack(pixel, color);
    for (int i = BYTES; i-- > 0;) {
        ink = ink << 8 | pixel[i];
    }
    return ink;
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
    uint8_t pixel[BYTES];
    for (int i = 0; i < BYTES; i++) {
        pixel[i] = (uint8_t)(ink >> (8 * i));
    }
    if (row_bytes == frame->stride_bytes) {
        fill_bytes(first, row_bytes * rows, pixel);
        return;
    }
    fill_bytes(first, row_bytes, pixel);
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

static void put(struct jl_target *target, int16_t x, int16_t y, int16_t count,
                const jl_color *row) {
    struct jl_frame *frame = (struct jl_frame *)target;
    uint8_t *at = pixel_at(frame, x, y);
    for (int i = 0; i < count; i++, at += BYTES) {
        if (row[i] != JL_CLEAR) {
            pack(at, row[i]);
        }
    }
    jl_format_changed(frame, (struct jl_rect){x, y, count, 1});
}

static void get(const struct jl_target *target, int16_t x, int16_t y, int16_t count,
                jl_color *row) {
    const uint8_t *at = pixel_at((const struct jl_frame *)target, x, y);
    for (int i = 0; i < count; i++, at += BYTES) {
        row[i] = unpack(at);
    }
}

/* One column of up to 8 rows; constants for `opaque` make two plain loops of it. */
static inline void stencil_column(uint8_t *at, size_t stride, unsigned bits, int rows,
                                  uint8_t colors[2][BYTES], bool opaque, unsigned wanted) {
    for (int row = 0; row < rows; row++, bits >>= 1, at += stride) {
        if (opaque) {
            copy_pixel(at, colors[bits & 1]);
        } else if ((bits & 1) == wanted) {
            copy_pixel(at, colors[wanted]);
        }
    }
}

static void stencil(struct jl_target *target, struct jl_rect area, const struct jl_bitmap *map,
                    int16_t map_x, int16_t map_y, jl_color ink, jl_color paper) {
    struct jl_frame *frame = (struct jl_frame *)target;
    uint8_t colors[2][BYTES];
    bool opaque = ink != JL_CLEAR && paper != JL_CLEAR;
    unsigned wanted = paper == JL_CLEAR ? 1 : 0;
    pack(colors[0], paper);
    pack(colors[1], ink);
    if (ink == JL_CLEAR && paper == JL_CLEAR) {
        return;
    }
    for (int y = 0; y < area.h; y += 8) {
        uint8_t *at = pixel_at(frame, area.x, area.y + y);
        int rows = area.h - y < 8 ? area.h - y : 8;
        for (int x = 0; x < area.w; x++, at += BYTES) {
            unsigned bits = map->order->column(map, map_x + x, map_y + y);
            if (opaque) {
                stencil_column(at, frame->stride_bytes, bits, rows, colors, true, 0);
            } else if ((wanted ? bits : ~bits & 0xFF) != 0) {
                stencil_column(at, frame->stride_bytes, bits, rows, colors, false, wanted);
            }
        }
    }
    jl_format_changed(frame, area);
}

#define BYTES_FORMAT(its_layout, r, g, b)                                                          \
    {                                                                                              \
        .ops = {.ink = ink_of, .fill = fill, .stencil = stencil, .put = put, .get = get},          \
        .column_bits = BYTES * 8, .bits_per_pixel = BYTES * 8, .planes = 1, .line_rows_log2 = 0,   \
        .channel_bits = {r, g, b}, .layout = its_layout,                                           \
        .window_price_px = 12 / BYTES /* 2A, 2B and 2C of a MIPI DCS part: 11 bytes */             \
    }
