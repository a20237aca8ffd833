/*
 * The formats of 1 bit a pixel in vertical bytes. Included by one file a format, which
 * defines COLUMN_MSB as 0 or 1. Works on whole bytes: 8 rows of a column at a time,
 * with a mask at the ragged top and bottom.
 *
 * A byte that gets the value it already had is not damage, so redrawing a text of
 * which three digits changed sends three digits.
 */
#include "format.h"

/* A byte with row 0 in bit 0, in the order of the format; its own inverse. */
static inline unsigned ordered(unsigned bits) {
#if COLUMN_MSB
    bits = (bits & 0x55) << 1 | (bits >> 1 & 0x55);
    bits = (bits & 0x33) << 2 | (bits >> 2 & 0x33);
    bits = (bits & 0x0F) << 4 | (bits >> 4 & 0x0F);
#endif
    return bits;
}

/*
 * Fills and stencils are one loop, since flash is scarcer than time here: a fill is a
 * stencil of ink everywhere (no map). int throughout: narrower locals cost sign
 * extensions on a Cortex-M0.
 */
static void stencil(struct jl_target *target, struct jl_rect area, const struct jl_bitmap *map,
                    int16_t map_x, int16_t map_y, jl_color ink, jl_color paper) {
    struct jl_frame *frame = (struct jl_frame *)target;
    unsigned ink_writes = ink == JL_CLEAR ? 0x00 : 0xFF;
    unsigned paper_writes = paper == JL_CLEAR ? 0x00 : 0xFF;
    unsigned ink_bits = jl_lit_bits(ink);
    unsigned paper_bits = jl_lit_bits(paper);
    int end_y = area.y + area.h;

    uint8_t *line = jl_format_line(frame, area.y, 3) + jl_format_column(frame, area.x);
    for (int top = area.y & ~7; top < end_y; top += 8, line += frame->stride_bytes) {
        int above = area.y - top;
        int below = top + 8 - end_y;
        int left = area.w, right = -1; /* columns within the area in which a byte really changed */
        unsigned mask = above > 0 ? 0xFFu << above : 0xFFu;
        mask &= below > 0 ? 0xFFu >> below : 0xFFu;
        for (int i = 0; i < area.w; i++) {
            unsigned source = map ? map->order->column(map, map_x + i, map_y - above) : 0xFFu;
            unsigned write = ((source & ink_writes) | (~source & paper_writes)) & mask;
            unsigned value = (source & ink_bits) | (~source & paper_bits);
            unsigned now = (line[i] & ~ordered(write)) | ordered(value & write);
            if (now != line[i]) {
                line[i] = (uint8_t)now;
                left = i < left ? i : left;
                right = i;
            }
        }
        if (right >= 0) {
            struct jl_rect changed = {(int16_t)(area.x + left), (int16_t)top,
                                      (int16_t)(right - left + 1), 8};
            jl_format_changed(frame, changed);
        }
    }
}

static void fill(struct jl_target *target, struct jl_rect area, uint32_t ink) {
    stencil(target, area, NULL, 0, 0, ink, JL_CLEAR);
}

static void get(const struct jl_target *target, int16_t x, int16_t y, int16_t count,
                jl_color *row) {
    const struct jl_frame *frame = (const struct jl_frame *)target;
    const uint8_t *line = jl_format_line(frame, y, 3) + jl_format_column(frame, x);
    unsigned mask = ordered(1u << (y & 7));
    for (int i = 0; i < count; i++) {
        row[i] = line[i] & mask ? JL_WHITE : JL_BLACK;
    }
}

#define MONO_COLUMNS_FORMAT(its_layout)                                                            \
    {                                                                                              \
        .ops = {.fill = fill, .stencil = stencil, .get = get}, .column_bits = 8,                   \
        .bits_per_pixel = 1, .planes = 1, .line_rows_log2 = 3, .channel_bits = {1, 1, 1},          \
        .layout = its_layout,                                                                      \
        .window_price_px = 80 /* a window of ssd1306-like parts on I2C costs 10 bytes */           \
    }
