/* Life of a frame; what differs by pixel format is in src/formats/. */
#include "jadelamp/frame.h"

#include "mem.h"

jl_status jl_frame_init(struct jl_frame *frame, const struct jl_format *format, int16_t width,
                        int16_t height, void *pixels, size_t pixel_bytes) {
    if (!frame || !format || !pixels || width < 1 || height < 1) {
        return JL_BAD_ARGUMENT;
    }
    /* When rows share a line, a column of it holds the bits of all of them. */
    uint32_t line_bits = ((uint32_t)width * format->bits_per_pixel) << format->line_rows_log2;
    uint32_t stride = (line_bits + 7) / 8;
    uint32_t line_rows = 1u << format->line_rows_log2;
    uint32_t lines = ((uint32_t)height + line_rows - 1) >> format->line_rows_log2;
    if (stride > UINT16_MAX) {
        return JL_OUT_OF_RANGE;
    }
    /* At most 65535 * 32767, and two planes only of 1-bit lines: fits 32 bits. */
    uint32_t needed = stride * lines * format->planes;
    if (pixel_bytes < needed) {
        return JL_TOO_SMALL;
    }
    jl_target_init(&frame->target, &format->ops, width, height);
    frame->format = format;
    frame->pixels = pixels;
    frame->damage = NULL;
    frame->palette = NULL;
    frame->stride_bytes = (uint16_t)stride;
    memset(pixels, 0, needed);
    return JL_OK;
}

void jl_frame_damage_all(struct jl_frame *frame) {
    if (frame->damage) {
        frame->damage->count = 1;
        frame->damage->rects[0] = frame->target.bounds;
    }
}
