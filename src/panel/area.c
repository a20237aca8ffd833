/* Areas, part by part. */
#include "area.h"

#include "steps.h"

static inline jl_status next(struct jl_panel *panel, const struct jl_rect *area,
                             struct jl_part *part) {
    uint8_t steps[JL_STEPS_MOST_BYTES];
    size_t bytes = panel->config->controller->next(panel, area, part, steps);
    return jl_steps_run_encoded(panel, steps, bytes);
}

jl_status jl_part_next(struct jl_panel *panel, const struct jl_rect *area, struct jl_part *part) {
    return next(panel, area, part);
}

void jl_rest_find(const struct jl_panel *panel, const struct jl_frame *frame,
                  const struct jl_part *part, struct jl_rest *rest) {
    const struct jl_format *format = panel->format;
    const uint8_t *at = NULL;
    uint32_t lines = jl_lines(format, part->area.h);
    uint32_t line_bytes = jl_line_bytes(format, part->area.w);
    uint32_t stride = line_bytes;
    if (frame) {
        const struct jl_rect *held = &frame->target.bounds;
        uint32_t line = (uint32_t)(part->area.y - held->y) >> format->line_rows_log2;
        stride = frame->stride_bytes;
        at = frame->pixels + part->plane * (size_t)frame->plane_bytes + line * (size_t)stride +
             jl_line_bytes(format, (int16_t)(part->area.x - held->x));
    }
    if (line_bytes == stride) {
        line_bytes *= lines;
        lines = 1;
    }
    *rest = (struct jl_rest){at, line_bytes, lines, stride};
}

jl_status jl_area_send(struct jl_panel *panel, const struct jl_rect *area,
                       const struct jl_frame *frame) {
    const struct jl_bus *bus = panel->config->bus;
    struct jl_part part = {0};
    struct jl_rest rest;
    for (;;) {
        jl_status status = next(panel, area, &part);
        if (status == JL_OK && part.area.h) {
            jl_rest_find(panel, frame, &part, &rest);
            status = frame ? bus->lines(panel, &rest)
                           : bus->fill(panel, panel->format->clear[part.plane], rest.line_bytes);
        }
        if (status != JL_OK || !part.area.h) {
            return status;
        }
    }
}
