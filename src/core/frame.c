/* Life of a frame; what differs by pixel format is in the format's own file. */
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
    /* At most 65535 * 32767: fits 32 bits. */
    uint32_t needed = stride * lines;
    if (pixel_bytes < needed) {
        return JL_TOO_SMALL;
    }
    frame->target.ops = &format->ops;
    frame->target.width = width;
    frame->target.height = height;
    jl_target_unclip(&frame->target);
    frame->format = format;
    frame->pixels = pixels;
    frame->stride_bytes = (uint16_t)stride;
    frame->damage.window_price_px = format->window_price_px;
    memset(pixels, 0, needed);
    jl_frame_damage_all(frame);
    return JL_OK;
}

void jl_frame_damage_all(struct jl_frame *frame) {
    frame->damage.count = 1;
    frame->damage.rects[0] = (struct jl_rect){0, 0, frame->target.width, frame->target.height};
}
