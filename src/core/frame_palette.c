/* Frames of indices. */
#include "jadelamp/frame.h"

jl_status jl_frame_init_palette(struct jl_frame *frame, const struct jl_format *format,
                                const jl_color *palette, int16_t width, int16_t height,
                                void *pixels, size_t pixel_bytes) {
    if (!format || format->layout != JL_LAYOUT_PALETTE || !palette) {
        return JL_BAD_ARGUMENT;
    }
    jl_status status = jl_frame_init(frame, format, width, height, pixels, pixel_bytes);
    if (status == JL_OK) {
        frame->palette = palette;
    }
    return status;
}
