/* Life of a frame; what differs by pixel format is in src/formats/. */
#include "jadelamp/frame.h"

#include "lone.h"
#include "lines.h"
#include "mem.h"

jl_status jl_frame_init(struct jl_frame *frame, const struct jl_format *format, int16_t width,
                        int16_t height, void *pixels, size_t pixel_bytes) {
    if (!frame) {
        return JL_BAD_ARGUMENT;
    }
    /* Empty until all is good, so that nothing can be drawn after an error. */
    *frame = (struct jl_frame){.pixels = pixels};
    jl_frame_describe(frame, format);
    if (!jl_may_frame(format) || !pixels || width < 1 || height < 1) {
        return JL_BAD_ARGUMENT;
    }
    uint32_t stride = jl_line_bytes(format, width);
    if (stride > UINT16_MAX) {
        return JL_OUT_OF_RANGE;
    }
    frame->stride_bytes = (uint16_t)stride;
    /* At most 65535 * 32767, and two planes only of 1-bit lines: fits 32 bits. */
    uint32_t plane_bytes = stride * jl_lines(format, height);
    frame->plane_bytes = plane_bytes;
    uint32_t bytes = plane_bytes * format->planes;
    if (pixel_bytes < bytes) {
        return JL_TOO_SMALL;
    }
    jl_frame_aim(frame, width, height);
    memset(pixels, format->clear[0], (size_t)plane_bytes);
    memset(frame->pixels + plane_bytes, format->clear[1], (size_t)(bytes - plane_bytes));
    return JL_OK;
}
