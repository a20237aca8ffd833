/* Areas, part by part. */
#include "area.h"

#include "steps.h"

jl_status jl_part_next(struct jl_panel *panel, const struct jl_rect *area, struct jl_part *part) {
    uint8_t steps[JL_STEPS_MOST_BYTES];
    size_t bytes = panel->config->controller->next(panel, area, part, steps);
    return jl_steps_run_plain(panel, steps, bytes);
}

void jl_rest_find(const struct jl_panel *panel, const struct jl_frame *frame,
                  const struct jl_part *part, struct jl_rest *rest) {
    const struct jl_format *format = panel->format;
    rest->line = NULL;
    rest->line_bytes = jl_line_bytes(format, part->area.w);
    rest->lines = jl_lines(format, part->area.h);
    rest->stride_bytes = (uint16_t)rest->line_bytes;
    if (frame) {
        const struct jl_rect *held = &frame->target.bounds;
        uint32_t line = (uint32_t)(part->area.y - held->y) >> format->line_rows_log2;
        if (part->plane) {
            line += jl_lines(format, held->h);
        }
        rest->stride_bytes = frame->stride_bytes;
        rest->line = frame->pixels + line * (size_t)frame->stride_bytes +
                     jl_line_bytes(format, (int16_t)(part->area.x - held->x));
    }
    if (rest->line_bytes == rest->stride_bytes) {
        rest->line_bytes *= rest->lines;
        rest->lines = 1;
    }
}

/* A part in the format's clear colour. */
static jl_status clear(const struct jl_panel *panel, uint8_t plane, uint32_t bytes) {
    uint8_t pixel[4];
    pixel[0] = pixel[1] = pixel[2] = pixel[3] = panel->format->clear[plane];
    return panel->config->bus->fill(panel, pixel, bytes);
}

jl_status jl_area_send(struct jl_panel *panel, const struct jl_rect *area,
                       const struct jl_frame *frame) {
    struct jl_part part = {0};
    struct jl_rest rest;
    for (;;) {
        jl_status status = jl_part_next(panel, area, &part);
        if (status == JL_OK && part.area.h) {
            jl_rest_find(panel, frame, &part, &rest);
            status = frame ? panel->config->bus->lines(panel, &rest)
                           : clear(panel, part.plane, rest.line_bytes);
        }
        if (status != JL_OK || !part.area.h) {
            return status;
        }
    }
}

void jl_area_grow(const struct jl_panel *panel, struct jl_rect *area) {
    int lines_mask = (1 << panel->format->line_rows_log2) - 1;
    int unit_mask = panel->config->controller->column_unit - 1;
    int left = area->x & ~unit_mask, top = area->y & ~lines_mask;
    area->w = (int16_t)(((area->x + area->w + unit_mask) & ~unit_mask) - left);
    area->h = (int16_t)(((area->y + area->h + lines_mask) & ~lines_mask) - top);
    area->x = (int16_t)left;
    area->y = (int16_t)top;
}
