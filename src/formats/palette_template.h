/*
 * Indices into a palette of the caller's. Included by one file a size, which defines BITS and
 * then the format by PALETTE_FORMAT.
 */
#define LOW_FIRST 0
#define SHADES    0
#include "bits_template.h"

static uint32_t squared(uint32_t a, uint32_t b) {
    uint32_t difference = a > b ? a - b : b - a;
    return difference * difference;
}

/* The nearest colour; of equally near ones the first. */
static inline unsigned pack(const struct jl_frame *frame, jl_color color) {
    uint32_t least = UINT32_MAX;
    unsigned best = 0;
    for (unsigned i = 0; frame->palette && i <= VALUE_MASK && least; i++) {
        jl_color entry = frame->palette[i];
        uint32_t distance = squared(jl_color_red(entry), jl_color_red(color)) +
                            squared(jl_color_green(entry), jl_color_green(color)) +
                            squared(jl_color_blue(entry), jl_color_blue(color));
        if (distance < least) {
            least = distance;
            best = i;
        }
    }
    return best;
}

static inline jl_color unpack(const struct jl_frame *frame, unsigned value) {
    return frame->palette ? frame->palette[value] : JL_BLACK;
}

/* Colours do not come back through a palette; indices do. */
static void invert(struct jl_target *target, int16_t x, int16_t y, int16_t count,
                   const jl_color *row) {
    struct jl_frame *frame = (struct jl_frame *)target;
    uint8_t *line = jl_format_line(frame, y, 0);
    int left = jl_format_column(frame, x);
    jl_color ink = JL_CLEAR;
    unsigned flip = 0;
    for (int i = 0; i < count; i++) {
        if (row[i] == JL_CLEAR) {
            continue;
        }
        if (row[i] != ink) {
            ink = row[i];
            flip = pack(frame, ink);
            flip = flip ? flip : VALUE_MASK; /* the first colour must be seen, too */
        }
        store(line, left + i, value_at(line, left + i) ^ flip);
    }
    jl_format_changed(frame, (struct jl_rect){x, y, count, 1});
}

#define PALETTE_FORMAT                                                                             \
    {                                                                                              \
        .ops = {.ink = ink_of,                                                                     \
                .fill = fill,                                                                      \
                .stencil = stencil,                                                                \
                .put = put,                                                                        \
                .get = get,                                                                        \
                .dot = dot,                                                                        \
                .invert = invert},                                                                 \
        .column_bits = BITS, .bits_per_pixel = BITS, .planes = 1, .channel_bits = {8, 8, 8},       \
        .layout = JL_LAYOUT_PALETTE, .window_price_px = 12 / 2 /* it is sent as 5-6-5 */           \
    }
