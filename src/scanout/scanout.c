/* Buffers of scan-out glass: shown at a vertical sync, and kept the same. */
#include "jadelamp/scanout.h"

#include "../core/mem.h"

jl_status jl_scanout_open(struct jl_scanout *scan, const struct jl_scanout_config *config,
                          const struct jl_scanout_ops *ops, void *context,
                          const struct jl_format *format, void *first, void *second,
                          size_t pixel_bytes) {
    struct jl_scanout_sums sums;
    if (!scan) {
        return JL_BAD_ARGUMENT;
    }
    *scan = (struct jl_scanout){.context = context};
    if (!config || !ops || !ops->show || !ops->is_shown || !format || first == second) {
        return JL_BAD_ARGUMENT;
    }
    if (format->planes != 1 || format->line_rows_log2 || format->bits_per_pixel % 8) {
        return JL_BAD_FRAME_FORMAT;
    }
    jl_status status = jl_scanout_sums(config, format->bits_per_pixel, &sums);
    status = status == JL_OK ? jl_frame_init(&scan->frame, format, config->width, config->height,
                                             first, pixel_bytes)
                             : status;
    if (status != JL_OK) {
        return status;
    }
    scan->ops = ops;
    jl_frame_track(&scan->frame, &scan->damage);
    jl_damage_clear(&scan->damage);
    if (second) {
        memcpy(second, first, (size_t)sums.frame_bytes);
        scan->shown = second;
    }
    const void *begin = second ? second : first;
    if (ops->clean) {
        ops->clean(context, begin, (size_t)sums.frame_bytes);
    }
    ops->show(context, begin);
    return JL_OK;
}

/* The memory of a rectangle, as far as it lies in one piece: a row of it. */
static size_t row_at(const struct jl_frame *frame, const struct jl_rect *area, int16_t row) {
    return (size_t)(uint16_t)(area->y + row) * frame->stride_bytes +
           (size_t)(uint16_t)area->x * (frame->format->bits_per_pixel / 8u);
}

static void clean_changes(struct jl_scanout *scan) {
    const struct jl_frame *frame = &scan->frame;
    for (uint8_t i = 0; i < scan->damage.count && scan->ops->clean; i++) {
        const struct jl_rect *area = &scan->damage.rects[i];
        size_t bytes = (size_t)(uint16_t)area->w * (frame->format->bits_per_pixel / 8u);
        for (int16_t row = 0; row < area->h; row++) {
            scan->ops->clean(scan->context, frame->pixels + row_at(frame, area, row), bytes);
        }
    }
}

/* What changed in the buffer that is shown now goes into the one that is drawn on. */
static void follow(struct jl_scanout *scan) {
    const struct jl_frame *frame = &scan->frame;
    for (uint8_t i = 0; i < scan->damage.count; i++) {
        const struct jl_rect *area = &scan->damage.rects[i];
        size_t bytes = (size_t)(uint16_t)area->w * (frame->format->bits_per_pixel / 8u);
        for (int16_t row = 0; row < area->h; row++) {
            size_t at = row_at(frame, area, row);
            memcpy(frame->pixels + at, scan->shown + at, bytes);
        }
    }
    jl_damage_clear(&scan->damage);
}

jl_status jl_scanout_poll(struct jl_scanout *scan) {
    if (!scan || !scan->ops) {
        return JL_BAD_ARGUMENT;
    }
    if (scan->pending && !scan->ops->is_shown(scan->context)) {
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
    scan->ops->show(scan->context, drawn);
    scan->frame.pixels = scan->shown;
    scan->shown = drawn;
    scan->pending = true;
    return JL_OK;
}
