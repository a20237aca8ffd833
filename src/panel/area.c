/* Areas, stretch by stretch. */
#include "area.h"

#include "../core/lone.h"
#include "steps.h"

static inline jl_status next(struct jl_panel *panel, const struct jl_rect *area,
                             struct jl_stretch *stretch) {
    uint8_t steps[JL_STEPS_MOST_BYTES];
    size_t bytes = jl_config_of(panel)->controller->next(panel, area, stretch, steps);
    return jl_steps_run_encoded(panel, steps, bytes);
}

jl_status jl_stretch_next(struct jl_panel *panel, const struct jl_rect *area,
                          struct jl_stretch *stretch) {
    return next(panel, area, stretch);
}

void jl_rest_find(const struct jl_panel *panel, const struct jl_frame *frame,
                  const struct jl_stretch *stretch, struct jl_rest *rest) {
    const struct jl_format *format = jl_format_of(panel);
    size_t lines = jl_lines(format, stretch->area.h);
    size_t line_bytes = jl_line_size(format, stretch->area.w);
    size_t stride = 0;
    const uint8_t *at = NULL;
    if (frame) {
        const struct jl_rect *held = &frame->target.bounds;
        size_t line = (unsigned)(stretch->area.y - held->y) >> format->line_rows_log2;
        stride = frame->stride_bytes;
        at = frame->pixels + stretch->plane * (size_t)frame->plane_bytes + line * stride +
             jl_line_size(format, (int16_t)(stretch->area.x - held->x));
        if (line_bytes == stride) {
            line_bytes *= lines;
            lines = 1;
        }
    }
    *rest = (struct jl_rest){at, line_bytes, lines, stride};
}

jl_status jl_area_send(struct jl_panel *panel, const struct jl_rect *area,
                       const struct jl_frame *frame) {
    const struct jl_bus *bus = jl_config_of(panel)->bus;
    struct jl_stretch stretch = {0};
    struct jl_rest rest;
    for (;;) {
        jl_status status = next(panel, area, &stretch);
        if (status == JL_OK && stretch.area.h) {
            jl_rest_find(panel, frame, &stretch, &rest);
            if (frame) {
                status = bus->lines(panel, &rest);
            } else {
                uint8_t byte = jl_clear_byte(jl_format_of(panel), stretch.plane);
                const uint32_t pixel = byte * 0x01010101u; /* of the widest format */
                status = bus->fill(panel, (const uint8_t *)&pixel,
                                   (uint32_t)rest.line_bytes * (uint32_t)rest.lines);
            }
        }
        if (status != JL_OK || !stretch.area.h) {
            return status;
        }
    }
}
