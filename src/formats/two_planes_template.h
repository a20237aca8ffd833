/*
 * Two planes of 1-bit rows, one behind the other, the leftmost pixel in bit 7. Before it: pack(),
 * from a colour to bit 0 for the first plane and bit 1 for the second; unpack(), the way back.
 */
#include "format.h"

static inline unsigned pack(jl_color color);
static inline jl_color unpack(unsigned value);

/* What changed of the second plane is known: an update without red may leave it alone. */
static inline unsigned store(uint8_t *byte, size_t second_plane, unsigned mask, unsigned value) {
    byte[0] = (uint8_t)(value & 1 ? byte[0] | mask : byte[0] & ~mask);
    byte += second_plane;
    unsigned before = byte[0];
    byte[0] = (uint8_t)(value & 2 ? before | mask : before & ~mask);
    return before ^ byte[0];
}

static void changed(const struct jl_frame *frame, struct jl_rect area, unsigned second) {
    jl_format_changed(frame, area);
    if (second && frame->damage) {
        frame->damage->second_plane = true;
    }
}

static uint32_t ink_of(jl_color color, const struct jl_target *target) {
    (void)target;
    return pack(color);
}

static void fill(struct jl_target *target, struct jl_rect area, uint32_t ink) {
    struct jl_frame *frame = (struct jl_frame *)target;
    size_t plane = (size_t)frame->plane_bytes;
    unsigned value = (unsigned)ink, second = 0;
    int start = jl_format_column(frame, area.x), end = start + area.w;
    uint8_t *line = jl_format_line(frame, area.y, 0);
    for (int y = 0; y < area.h; y++, line += frame->stride_bytes) {
        /* Whole bytes with all bits, ragged ends with some: never a pixel at a time. */
        for (int x = start & ~7; x < end; x += 8) {
            unsigned mask = x < start ? 0xFFu >> (start - x) : 0xFFu;
            mask &= x + 8 > end ? 0xFFu << (x + 8 - end) : 0xFFu;
            second |= store(&line[x / 8], plane, mask, value);
        }
    }
    changed(frame, area, second);
}

static void put(struct jl_target *target, int16_t x, int16_t y, int16_t count,
                const jl_color *row) {
    struct jl_frame *frame = (struct jl_frame *)target;
    size_t plane = (size_t)frame->plane_bytes;
    unsigned second = 0;
    uint8_t *line = jl_format_line(frame, y, 0);
    int column = jl_format_column(frame, x);
    for (int i = 0; i < count; i++) {
        if (row[i] != JL_CLEAR) {
            second |=
                store(&line[(column + i) / 8], plane, 0x80u >> ((column + i) & 7), pack(row[i]));
        }
    }
    changed(frame, (struct jl_rect){x, y, count, 1}, second);
}

static void get(const struct jl_target *target, int16_t x, int16_t y, int16_t count,
                jl_color *row) {
    const struct jl_frame *frame = (const struct jl_frame *)target;
    const uint8_t *line = jl_format_line(frame, y, 0);
    size_t plane = (size_t)frame->plane_bytes;
    int column = jl_format_column(frame, x);
    for (int i = 0; i < count; i++) {
        const uint8_t *byte = &line[(column + i) / 8];
        unsigned mask = 0x80u >> ((column + i) & 7);
        row[i] = unpack((byte[0] & mask ? 1u : 0u) | (byte[plane] & mask ? 2u : 0u));
    }
}

static void stencil(struct jl_target *target, const struct jl_stencil *s) {
    struct jl_rect area = s->area;
    jl_color ink = s->ink, paper = s->paper;
    struct jl_frame *frame = (struct jl_frame *)target;
    size_t plane = (size_t)frame->plane_bytes;
    unsigned values[2] = {pack(paper), pack(ink)}, second = 0;
    int column = jl_format_column(frame, area.x);
    for (int y = 0; y < area.h; y += 8) {
        uint8_t *line = jl_format_line(frame, area.y + y, 0);
        int rows = area.h - y < 8 ? area.h - y : 8;
        for (int x = 0; x < area.w; x++) {
            unsigned bits = s->map->order->column(s->map, s->map_x + x, s->map_y + y);
            uint8_t *at = &line[(column + x) / 8];
            for (int row = 0; row < rows; row++, bits >>= 1, at += frame->stride_bytes) {
                if ((bits & 1 ? ink : paper) != JL_CLEAR) {
                    second |= store(at, plane, 0x80u >> ((column + x) & 7), values[bits & 1]);
                }
            }
        }
    }
    changed(frame, area, second);
}

#define TWO_PLANES_FORMAT(LAYOUT, CLEAR_SECOND, CHANNEL_BITS)                                      \
    {                                                                                              \
        .ops = {.ink = ink_of, .fill = fill, .stencil = stencil, .put = put, .get = get},          \
        .column_bits = 1, .bits_per_pixel = 1, .planes = 2, .line_rows_log2 = 0,                   \
        .clear = {0xFF, CLEAR_SECOND}, .channel_bits = {CHANNEL_BITS, CHANNEL_BITS, CHANNEL_BITS}, \
        .layout = LAYOUT, .window_price_px = 80,                                                   \
    }
