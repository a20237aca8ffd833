/* Buffers of scan-out glass: shown at a vertical sync, and kept the same. */
#include "scanout.h"

#include "../core/mem.h"

jl_status jl_scanout_check(const struct jl_scanout_config *config, const struct jl_port *port,
                           const struct jl_format *format, struct jl_scanout_sums *sums) {
    if (!config || !port || !format) {
        return JL_BAD_ARGUMENT;
    }
    if (!port->ops || !port->ops->scanout) {
        return JL_BAD_PORT;
    }
    if (format->line_rows_log2 || format->bits_per_pixel % 8) { /* planes are of single bits */
        return JL_BAD_FRAME_FORMAT;
    }
    return jl_scanout_sums(config, format->bits_per_pixel, sums);
}

void jl_scanout_clean(const struct jl_port *port, const void *from, size_t bytes) {
    if (port->ops->scanout->clean) {
        port->ops->scanout->clean(port->context, from, bytes);
    }
}

jl_status jl_scanout_prepare(struct jl_scanout *scan, const struct jl_scanout_config *config,
                             const struct jl_port *port, const struct jl_format *format,
                             const void *first, const void *second) {
    struct jl_scanout_sums sums;
    if (!scan) {
        return JL_BAD_ARGUMENT;
    }
    *scan = (struct jl_scanout){.port = NULL};
    if (first == second) {
        return JL_BAD_ARGUMENT;
    }
    jl_status status = jl_scanout_check(config, port, format, &sums);
    if (status == JL_OK && (!port->ops->scanout->show || !port->ops->scanout->is_shown)) {
        status = JL_BAD_PORT;
    }
    return status;
}

void jl_scanout_begin(struct jl_scanout *scan, const struct jl_port *port, void *second) {
    size_t bytes = (size_t)scan->frame.plane_bytes;
    scan->port = port;
    jl_frame_track(&scan->frame, &scan->damage);
    jl_damage_clear(&scan->damage);
    if (second) {
        memcpy(second, scan->frame.pixels, bytes);
        scan->shown = second;
    }
    const void *begin = second ? second : scan->frame.pixels;
    jl_scanout_clean(port, begin, bytes);
    port->ops->scanout->show(port->context, begin);
}

jl_status jl_scanout_open(struct jl_scanout *scan, const struct jl_scanout_config *config,
                          const struct jl_port *port, const struct jl_format *format, void *first,
                          void *second, size_t pixel_bytes) {
    jl_status status = jl_scanout_prepare(scan, config, port, format, first, second);
    if (status == JL_OK && format->layout == JL_LAYOUT_PALETTE) {
        status = JL_BAD_FRAME_FORMAT; /* without its colours */
    }
    if (status == JL_OK) {
        status =
            jl_frame_init(&scan->frame, format, config->width, config->height, first, pixel_bytes);
    }
    if (status == JL_OK) {
        jl_scanout_begin(scan, port, second);
    }
    return status;
}

/* What of a row of the frame lies in an area. */
static size_t row_at(const struct jl_frame *frame, const struct jl_rect *area, int16_t row) {
    return (size_t)(uint16_t)(area->y + row) * frame->stride_bytes +
           (size_t)(uint16_t)area->x * (frame->format->bits_per_pixel / 8u);
}

static size_t row_bytes(const struct jl_frame *frame, const struct jl_rect *area) {
    return (size_t)(uint16_t)area->w * (frame->format->bits_per_pixel / 8u);
}

static void clean_changes(const struct jl_scanout *scan) {
    const struct jl_frame *frame = &scan->frame;
    for (uint8_t i = 0; i < scan->damage.count; i++) {
        const struct jl_rect *area = &scan->damage.rects[i];
        for (int16_t row = 0; row < area->h; row++) {
            jl_scanout_clean(scan->port, frame->pixels + row_at(frame, area, row),
                             row_bytes(frame, area));
        }
    }
}

/* What changed in the buffer that is shown now goes into the one that is drawn on. */
static void follow(struct jl_scanout *scan) {
    const struct jl_frame *frame = &scan->frame;
    for (uint8_t i = 0; i < scan->damage.count; i++) {
        const struct jl_rect *area = &scan->damage.rects[i];
        for (int16_t row = 0; row < area->h; row++) {
            size_t at = row_at(frame, area, row);
            memcpy(frame->pixels + at, scan->shown + at, row_bytes(frame, area));
        }
    }
    jl_damage_clear(&scan->damage);
}

jl_status jl_scanout_poll(struct jl_scanout *scan) {
    if (!scan || !scan->port) {
        return JL_BAD_ARGUMENT;
    }
    if (scan->pending && !scan->port->ops->scanout->is_shown(scan->port->context)) {
        return JL_BUSY;
    }
    if (scan->pending) {
        scan->pending = false;
        follow(scan);
    }
    return JL_OK;
}

jl_status jl_scanout_present(struct jl_scanout *scan) {
    jl_status status = jl_scanout_poll(scan);
    if (status != JL_OK) {
        return status;
    }
    clean_changes(scan);
    if (!scan->shown) {
        jl_damage_clear(&scan->damage);
        return JL_OK;
    }
    uint8_t *drawn = scan->frame.pixels;
    scan->port->ops->scanout->show(scan->port->context, drawn);
    scan->frame.pixels = scan->shown;
    scan->shown = drawn;
    scan->pending = true;
    return JL_OK;
}
