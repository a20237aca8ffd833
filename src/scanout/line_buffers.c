/* Two small buffers instead of a frame. */
#include "scanout.h"

static void fill(struct jl_scanout_lines *lines) {
    struct jl_frame *frame = &lines->frame;
    frame->pixels = lines->buffers[lines->next_buffer];
    frame->target.bounds.y = lines->next_row;
    frame->target.clip = frame->target.bounds;
    lines->rows_fn(lines->context, &frame->target);
    jl_scanout_clean(lines->port, frame->pixels, lines->buffer_bytes);
    lines->next_buffer ^= 1;
    int16_t row = (int16_t)(lines->next_row + lines->rows);
    lines->next_row = row < frame->target.height ? row : 0;
}

jl_status jl_scanout_lines_open(struct jl_scanout_lines *lines,
                                const struct jl_scanout_config *config, const struct jl_port *port,
                                const struct jl_format *format, int16_t rows,
                                jl_scanout_rows_fn rows_fn, void *context, void *first,
                                void *second, size_t pixel_bytes) {
    struct jl_scanout_sums sums;
    if (!lines || !rows_fn || !second || first == second) {
        return JL_BAD_ARGUMENT;
    }
    *lines = (struct jl_scanout_lines){.port = port, .rows_fn = rows_fn, .context = context};
    jl_status status = jl_scanout_check(config, port, format, &sums);
    if (status != JL_OK) {
        return status;
    }
    if (!port->ops->scanout->lines) {
        return JL_BAD_PORT;
    }
    if (format->layout == JL_LAYOUT_PALETTE) {
        return JL_BAD_FRAME_FORMAT; /* drawn in colours: a palette is for frames */
    }
    if (rows < 1 || config->height % rows) {
        return JL_BAD_SIZE;
    }
    status = jl_frame_init(&lines->frame, format, config->width, rows, first, pixel_bytes);
    if (status != JL_OK) {
        return status;
    }
    lines->frame.target.height = config->height; /* of the picture; the bounds are a buffer's */
    lines->buffers[0] = first;
    lines->buffers[1] = second;
    lines->buffer_bytes = (size_t)lines->frame.plane_bytes;
    lines->rows = rows;
    fill(lines);
    fill(lines);
    port->ops->scanout->lines(port->context, lines);
    return JL_OK;
}

void jl_scanout_refill(struct jl_scanout_lines *lines) {
    fill(lines);
}
