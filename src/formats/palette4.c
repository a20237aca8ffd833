/* 4-bit indices into a palette of the caller's, the left pixel in the high nibble. */
#define BITS      4
#define LOW_FIRST 0
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

const struct jl_format jl_palette4 = {
    .ops = {.fill = fill, .stencil = stencil, .put = put, .get = get},
    .bits_per_pixel = BITS,
    .planes = 1,
    .channel_bits = {8, 8, 8},
    .window_price_px = 12 / 2, /* it is sent as 5-6-5 */
};

jl_status jl_frame_init_palette(struct jl_frame *frame, const jl_color palette[16], int16_t width,
                                int16_t height, void *pixels, size_t pixel_bytes) {
    jl_status status = palette
                           ? jl_frame_init(frame, &jl_palette4, width, height, pixels, pixel_bytes)
                           : JL_BAD_ARGUMENT;
    if (status == JL_OK) {
        frame->palette = palette;
    }
    return status;
}
