/* Areas, part by part. */
#include "area.h"

#include "steps.h"

jl_status jl_part_next(struct jl_panel *panel, struct jl_rect area, struct jl_part *part) {
    uint8_t steps[JL_STEPS_MOST_BYTES];
    size_t bytes = panel->config->controller->next(panel, area, part, steps);
    return jl_steps_run_plain(panel, steps, bytes);
}

void jl_rest_find(const struct jl_panel *panel, const struct jl_source *source,
                  const struct jl_part *part, struct jl_rest *rest) {
    const struct jl_format *format = panel->format;
    unsigned shift = format->line_rows_log2;
    rest->stride_bytes = source->stride_bytes;
    rest->line_bytes = jl_line_bytes(format, part->area.w);
    rest->lines = jl_lines(format, part->area.h);
    rest->line = source->pixels + part->plane * (size_t)source->plane_bytes +
                 (size_t)((part->area.y - source->area.y) >> shift) * source->stride_bytes +
                 jl_line_bytes(format, (int16_t)(part->area.x - source->area.x));
    if (rest->line_bytes == rest->stride_bytes) {
        rest->line_bytes *= rest->lines;
        rest->lines = 1;
    }
}

jl_status jl_rest_send(const struct jl_panel *panel, const struct jl_rest *rest) {
    const struct jl_bus *bus = panel->config->bus;
    const uint8_t *line = rest->line;
    jl_status status = JL_OK;
    if (bus->lines) {
        return bus->lines(panel, line, rest->line_bytes, rest->lines, rest->stride_bytes);
    }
    for (uint32_t left = rest->lines; left && status == JL_OK; left--) {
        status = bus->send(panel, true, line, rest->line_bytes);
        line += rest->stride_bytes;
    }
    return status;
}

/* A part in the format's clear colour. */
static jl_status clear_part(const struct jl_panel *panel, const struct jl_part *part) {
    const struct jl_format *format = panel->format;
    uint8_t byte = format->clear[part->plane];
    const uint8_t pixel[4] = {byte, byte, byte, byte};
    return panel->config->bus->fill(
        panel, pixel, jl_line_bytes(format, part->area.w) * jl_lines(format, part->area.h));
}

jl_status jl_area_send(struct jl_panel *panel, struct jl_rect area,
                       const struct jl_source *source) {
    struct jl_part part = {0};
    struct jl_rest rest;
    jl_status status;
    while ((status = jl_part_next(panel, area, &part)) == JL_OK && part.area.h) {
        if (source) {
            jl_rest_find(panel, source, &part, &rest);
            status = jl_rest_send(panel, &rest);
        } else {
            status = clear_part(panel, &part);
        }
        if (status != JL_OK) {
            break;
        }
    }
    return status;
}

struct jl_rect jl_area_grown(const struct jl_panel *panel, struct jl_rect area) {
    int lines_mask = (1 << panel->format->line_rows_log2) - 1;
    int unit_mask = panel->config->controller->column_unit - 1;
    int left = area.x & ~unit_mask, top = area.y & ~lines_mask;
    int right = (area.x + area.w + unit_mask) & ~unit_mask;
    int bottom = (area.y + area.h + lines_mask) & ~lines_mask;
    return (struct jl_rect){(int16_t)left, (int16_t)top, (int16_t)(right - left),
                            (int16_t)(bottom - top)};
}
