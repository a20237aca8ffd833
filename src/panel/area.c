/* Areas, stretch by stretch. */
#include "area.h"

#include "steps.h"

static inline jl_status next(struct jl_panel *panel, const struct jl_rect *area,
                             struct jl_stretch *stretch) {
    uint8_t steps[JL_STEPS_MOST_BYTES];
    size_t bytes = panel->config->controller->next(panel, area, stretch, steps);
    return jl_steps_run_encoded(panel, steps, bytes);
}

jl_status jl_stretch_next(struct jl_panel *panel, const struct jl_rect *area,
                          struct jl_stretch *stretch) {
    return next(panel, area, stretch);
}

void jl_rest_find(const struct jl_panel *panel, const struct jl_frame *frame,
                  const struct jl_stretch *stretch, struct jl_rest *rest) {
    const struct jl_format *format = panel->format;
    const uint8_t *at = NULL;
    uint32_t lines = jl_lines(format, stretch->area.h);
    uint32_t line_bytes = jl_line_bytes(format, stretch->area.w);
    uint32_t stride = line_bytes;
    if (frame) {
        const struct jl_rect *held = &frame->target.bounds;
        uint32_t line = (uint32_t)(stretch->area.y - held->y) >> format->line_rows_log2;
        stride = frame->stride_bytes;
        at = frame->pixels + stretch->plane * (size_t)frame->plane_bytes + line * (size_t)stride +
             jl_line_bytes(format, (int16_t)(stretch->area.x - held->x));
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
    struct jl_stretch stretch = {0};
    struct jl_rest rest;
    for (;;) {
        jl_status status = next(panel, area, &stretch);
        if (status == JL_OK && stretch.area.h) {
            jl_rest_find(panel, frame, &stretch, &rest);
            status = frame ? bus->lines(panel, &rest)
                           : bus->fill(panel, panel->format->clear[stretch.plane], rest.line_bytes);
        }
        if (status != JL_OK || !stretch.area.h) {
            return status;
        }
    }
}
