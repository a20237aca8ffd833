/* Black, white and red for e-paper: two planes of 1-bit rows, one behind the other. */
#include "format.h"

enum { PLANE_WHITE = 1, PLANE_RED = 2 };

/* Bit PLANE_WHITE for the first plane, PLANE_RED for the second. */
static unsigned pack(jl_color c) {
    if (jl_color_red(c) >= 128 && jl_color_green(c) < 128 && jl_color_blue(c) < 128) {
        return PLANE_RED;
    }
    return jl_color_luminance(c) >= 128 ? PLANE_WHITE : 0;
}

static inline void store(uint8_t *byte, size_t second_plane, unsigned mask, unsigned value) {
    byte[0] = (uint8_t)(value & PLANE_WHITE ? byte[0] | mask : byte[0] & ~mask);
    byte += second_plane;
    byte[0] = (uint8_t)(value & PLANE_RED ? byte[0] | mask : byte[0] & ~mask);
}

static void fill(struct jl_target *target, struct jl_rect area, jl_color color) {
    struct jl_frame *frame = (struct jl_frame *)target;
    size_t second = (size_t)frame->plane_bytes;
    unsigned value = pack(color);
    int end = area.x + area.w;
    uint8_t *line = jl_format_line(frame, area.y, 0);
    for (int y = 0; y < area.h; y++, line += frame->stride_bytes) {
        /* Whole bytes with all bits, ragged ends with some: never a pixel at a time. */
        for (int x = area.x & ~7; x < end; x += 8) {
            unsigned mask = x < area.x ? 0xFFu >> (area.x - x) : 0xFFu;
            mask &= x + 8 > end ? 0xFFu << (x + 8 - end) : 0xFFu;
            store(&line[x / 8], second, mask, value);
        }
    }
    jl_format_changed(frame, area);
}

static void put(struct jl_target *target, int16_t x, int16_t y, int16_t count,
                const jl_color *row) {
    struct jl_frame *frame = (struct jl_frame *)target;
    size_t second = (size_t)frame->plane_bytes;
    uint8_t *line = jl_format_line(frame, y, 0);
    for (int i = 0; i < count; i++) {
        if (row[i] != JL_CLEAR) {
            store(&line[(x + i) / 8], second, 0x80u >> ((x + i) & 7), pack(row[i]));
        }
    }
    jl_format_changed(frame, (struct jl_rect){x, y, count, 1});
}

static void get(const struct jl_target *target, int16_t x, int16_t y, int16_t count,
                jl_color *row) {
    const struct jl_frame *frame = (struct jl_frame *)target;
    const uint8_t *line = jl_format_line(frame, y, 0);
    size_t second = (size_t)frame->plane_bytes;
    for (int i = 0; i < count; i++) {
        const uint8_t *byte = &line[(x + i) / 8];
        unsigned mask = 0x80u >> ((x + i) & 7);
        row[i] = byte[second] & mask ? JL_RED : byte[0] & mask ? JL_WHITE : JL_BLACK;
    }
}

static void stencil(struct jl_target *target, struct jl_rect area, const struct jl_bitmap *map,
                    int16_t map_x, int16_t map_y, jl_color ink, jl_color paper) {
    struct jl_frame *frame = (struct jl_frame *)target;
    size_t second = (size_t)frame->plane_bytes;
    unsigned values[2] = {pack(paper), pack(ink)};
    for (int y = 0; y < area.h; y += 8) {
        uint8_t *line = jl_format_line(frame, area.y + y, 0);
        int rows = area.h - y < 8 ? area.h - y : 8;
        for (int x = 0; x < area.w; x++) {
            unsigned bits = map->order->column(map, map_x + x, map_y + y);
            int at_x = area.x + x;
            uint8_t *at = &line[at_x / 8];
            for (int row = 0; row < rows; row++, bits >>= 1, at += frame->stride_bytes) {
                if ((bits & 1 ? ink : paper) != JL_CLEAR) {
                    store(at, second, 0x80u >> (at_x & 7), values[bits & 1]);
                }
            }
        }
    }
    jl_format_changed(frame, area);
}

const struct jl_format jl_black_white_red = {
    .ops = {.fill = fill, .stencil = stencil, .put = put, .get = get},
    .column_bits = 1,
    .bits_per_pixel = 1,
    .planes = 2,
    .line_rows_log2 = 0,
    .clear = {{0xFF, 0xFF, 0xFF, 0xFF}},
    .channel_bits = {1, 1, 1},
    .window_price_px = 80,
};
