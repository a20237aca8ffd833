/*
 * Formats of 1, 2 or 4 bits a pixel in rows. Included by one file a format, which
 * defines BITS (pixel size), LOW_FIRST (the leftmost pixel in the lowest bits) and the
 * functions pack() (a colour to a value) and unpack(); grey_template.h has them for greys. SHADES
 * is 0, or the sum of enum jl_shades: partly transparent pixels are mixed.
 */
#include "format.h"

enum { PIXELS_A_BYTE = 8 / BITS, VALUE_MASK = (1 << BITS) - 1 };

/* Where the pixel sits in its byte. */
static inline unsigned shift_of(int x) {
    unsigned place = (unsigned)x % PIXELS_A_BYTE;
    return BITS * (LOW_FIRST ? place : PIXELS_A_BYTE - 1 - place);
}

static inline unsigned pack(const struct jl_frame *frame, jl_color color);
static inline jl_color unpack(const struct jl_frame *frame, unsigned value);

static inline void store(uint8_t *line, int x, unsigned value) {
    unsigned shift = shift_of(x);
    uint8_t *byte = &line[x / PIXELS_A_BYTE];
    *byte = (uint8_t)((*byte & ~((unsigned)VALUE_MASK << shift)) | value << shift);
}

static void fill_row(uint8_t *line, int x, int end, unsigned value) {
    /* The value in every pixel of a byte: 0x55 * 3, 0x11 * 15, 0xFF * 1. */
    unsigned whole = value * (0xFFu / VALUE_MASK);
    while (x < end && x % PIXELS_A_BYTE) {
        store(line, x++, value);
    }
    int bytes = (end - x) / PIXELS_A_BYTE;
    if (bytes > 0) {
        memset(line + x / PIXELS_A_BYTE, (int)whole, (size_t)bytes);
        x += bytes * PIXELS_A_BYTE;
    }
    while (x < end) {
        store(line, x++, value);
    }
}

static uint32_t ink_of(jl_color color, const struct jl_target *target) {
    return pack((const struct jl_frame *)target, color);
}

static void fill(struct jl_target *target, struct jl_rect area, uint32_t ink) {
    struct jl_frame *frame = (struct jl_frame *)target;
    uint8_t *line = jl_format_line(frame, area.y, 0);
    unsigned value = (unsigned)ink;
    int left = jl_format_column(frame, area.x);
    for (int y = 0; y < area.h; y++, line += frame->stride_bytes) {
        fill_row(line, left, left + area.w, value);
    }
    jl_format_changed(frame, area);
}

static unsigned dot(uint32_t ink, struct jl_target *target, int16_t x, int16_t y) {
    struct jl_frame *frame = (struct jl_frame *)target;
    store(jl_format_line(frame, y, 0), jl_format_column(frame, x), (unsigned)ink);
    return 1;
}

static inline unsigned value_at(const uint8_t *line, int x) {
    return line[x / PIXELS_A_BYTE] >> shift_of(x) & VALUE_MASK;
}

static void put(struct jl_target *target, int16_t x, int16_t y, int16_t count,
                const jl_color *row) {
    struct jl_frame *frame = (struct jl_frame *)target;
    uint8_t *line = jl_format_line(frame, y, 0);
    int left = jl_format_column(frame, x);
    for (int i = 0; i < count; i++) {
        jl_color color = row[i];
        if (color == JL_CLEAR) {
            continue;
        }
        if (SHADES && color >> 24) {
            color = jl_color_mix(color, unpack(frame, value_at(line, left + i)),
                                 (uint8_t)(color >> 24));
        }
        store(line, left + i, pack(frame, color));
    }
    jl_format_changed(frame, (struct jl_rect){x, y, count, 1});
}

static void get(const struct jl_target *target, int16_t x, int16_t y, int16_t count,
                jl_color *row) {
    const struct jl_frame *frame = (const struct jl_frame *)target;
    const uint8_t *line = jl_format_line(frame, y, 0);
    int left = jl_format_column(frame, x);
    for (int i = 0; i < count; i++) {
        row[i] = unpack(frame, value_at(line, left + i));
    }
}

static void stencil(struct jl_target *target, const struct jl_stencil *s) {
    struct jl_rect area = s->area;
    jl_color ink = s->ink, paper = s->paper;
    struct jl_frame *frame = (struct jl_frame *)target;
    unsigned ink_value = pack(frame, ink), paper_value = pack(frame, paper);
    int left = jl_format_column(frame, area.x);
    for (int y = 0; y < area.h; y += 8) {
        uint8_t *line = jl_format_line(frame, area.y + y, 0);
        int rows = area.h - y < 8 ? area.h - y : 8;
        for (int x = 0; x < area.w; x++) {
            unsigned bits = s->map->order->column(s->map, s->map_x + x, s->map_y + y);
            uint8_t *at = line;
            for (int row = 0; row < rows; row++, bits >>= 1, at += frame->stride_bytes) {
                if ((bits & 1 ? ink : paper) != JL_CLEAR) {
                    store(at, left + x, bits & 1 ? ink_value : paper_value);
                }
            }
        }
    }
    jl_format_changed(frame, area);
}

#define BITS_FORMAT(its_layout, fresh)                                                             \
    {                                                                                              \
        .ops = {.ink = ink_of,                                                                     \
                .fill = fill,                                                                      \
                .stencil = stencil,                                                                \
                .put = put,                                                                        \
                .get = get,                                                                        \
                .dot = dot,                                                                        \
                .shades = SHADES},                                                                 \
        .column_bits = BITS, .bits_per_pixel = BITS, .planes = 1, .line_rows_log2 = 0,             \
        .clear = {fresh}, .channel_bits = {BITS, BITS, BITS}, .layout = its_layout,                \
        .window_price_px = 80 / BITS                                                               \
    }
