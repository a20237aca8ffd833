/* Frames in memory that the caller laid out. */
#include "jadelamp/frame.h"
#include "lone.h"
#include "lines.h"
#include "mem.h"

uint32_t jl_frame_bytes(const struct jl_format *format, int16_t width, int16_t height) {
    if (!format || width < 1 || height < 1) {
        return 0;
    }
    return jl_line_bytes(format, width) * jl_lines(format, height) * format->planes;
}

jl_status jl_frame_init_strided(struct jl_frame *frame, const struct jl_format *format,
                                int16_t width, int16_t height, void *pixels, size_t pixel_bytes,
                                uint16_t stride_bytes) {
    /* Of no memory: everything but its size is checked, and the frame is empty. */
    jl_status status = jl_frame_init(frame, format, width, height, pixels, 0);
    if (status != JL_TOO_SMALL) {
        return status;
    }
    uint16_t line_bytes = frame->stride_bytes;
    if (stride_bytes < line_bytes) {
        return JL_OUT_OF_RANGE;
    }
    uint32_t lines = jl_lines(format, height);
    /* The last line need not be filled up. */
    uint64_t needed = (uint64_t)stride_bytes * (lines * format->planes - 1) + line_bytes;
    if (pixel_bytes < needed) {
        return JL_TOO_SMALL;
    }
    frame->stride_bytes = stride_bytes;
    frame->plane_bytes = stride_bytes * lines;
    jl_frame_aim(frame, width, height);
    uint8_t *line = pixels;
    for (uint32_t i = 0; i < lines * format->planes; i++, line += stride_bytes) {
        memset(line, format->clear[i >= lines], line_bytes);
    }
    return JL_OK;
}
