/* Sending what changed. */
#include "bus.h"
#include "panel.h"
#include "window.h"

jl_status jl_present_area(const struct jl_panel *panel, const struct jl_frame *frame,
                          struct jl_rect area) {
    const struct jl_format *format = frame->format;
    /* Grown to units of columns (whole bytes), and whole lines of memory: pages for vertical bytes.
     */
    int shift = format->line_rows_log2;
    int unit_mask = panel->config->controller->column_unit - 1;
    int first_line = area.y >> shift;
    int end_column = (area.x + area.w + unit_mask) & ~unit_mask;
    uint32_t lines = jl_lines(format, (int16_t)(area.y + area.h)) - (uint32_t)first_line;
    area.x = (int16_t)(area.x & ~unit_mask);
    area.w = (int16_t)(end_column - area.x);
    area.y = (int16_t)(first_line << shift);
    area.h = (int16_t)(lines << shift);
    jl_status status = jl_window_open(panel, area);

    uint32_t line_bytes = jl_line_bytes(format, area.w);
    /* A band's memory begins at its first row. */
    int own_line = first_line - (frame->target.bounds.y >> shift);
    const uint8_t *line =
        frame->pixels + (size_t)own_line * frame->stride_bytes + jl_line_bytes(format, area.x);
    /* Full-width lines lie one behind the other: one transfer for all of them. */
    if (line_bytes == frame->stride_bytes) {
        line_bytes *= lines;
        lines = 1;
    }
    for (; lines && status == JL_OK; lines--, line += frame->stride_bytes) {
        status = jl_bus_data(panel, line, line_bytes);
    }
    return status;
}

jl_status jl_panel_present(struct jl_panel *panel, struct jl_frame *frame) {
    jl_status status = jl_panel_ready(panel);
    if (status != JL_OK) {
        /* A shadow may hold already what is refused here: the next one must send everything. */
        if (panel) {
            panel->stale = true;
        }
        return status;
    }
    if (!frame) {
        return JL_BAD_ARGUMENT;
    }
    const struct jl_panel_config *config = panel->config;
    const struct jl_rect *areas = &frame->target.bounds;
    struct jl_damage *damage = frame->damage;
    uint8_t count = 1;
    if (frame->format != config->controller->format) {
        return JL_UNSUPPORTED;
    }
    if (areas->w != config->width || areas->h != config->height) {
        return JL_OUT_OF_RANGE;
    }
    if (damage) {
        damage->window_price_px = config->controller->window_price_px;
        if (!panel->stale) {
            areas = damage->rects;
            count = damage->count;
        }
    }
    for (uint8_t i = 0; i < count && status == JL_OK; i++) {
        status = jl_present_area(panel, frame, areas[i]);
    }
    if (status == JL_OK) {
        panel->stale = false;
        if (damage) {
            damage->count = 0;
        }
    }
    return jl_panel_settle(panel, status);
}
