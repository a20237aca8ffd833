/* Life of a frame; what differs by pixel format is in src/formats/. */
#include "jadelamp/frame.h"

#include "lines.h"
#include "mem.h"

jl_status jl_frame_init(struct jl_frame *frame, const struct jl_format *format, int16_t width,
                        int16_t height, void *pixels, size_t pixel_bytes) {
    if (!frame) {
        return JL_BAD_ARGUMENT;
    }
    /* Empty until all is good, so that nothing can be drawn after an error. */
    jl_target_init(&frame->target, NULL, 0, 0);
    frame->format = format;
    frame->pixels = pixels;
    frame->damage = NULL;
    frame->palette = NULL;
    if (!format || !pixels || width < 1 || height < 1) {
        return JL_BAD_ARGUMENT;
    }
    uint32_t stride = jl_line_bytes(format, width);
    if (stride > UINT16_MAX) {
        return JL_OUT_OF_RANGE;
    }
    frame->stride_bytes = (uint16_t)stride;
    /* At most 65535 * 32767, and two planes only of 1-bit lines: fits 32 bits. */
    uint32_t plane_bytes = stride * jl_lines(format, height);
    if (pixel_bytes < plane_bytes * format->planes) {
        return JL_TOO_SMALL;
    }
    jl_target_init(&frame->target, &format->ops, width, height);
    for (uint8_t plane = 0; plane < format->planes; plane++) {
        memset(frame->pixels + plane * plane_bytes, format->clear[plane], plane_bytes);
    }
    return JL_OK;
}
