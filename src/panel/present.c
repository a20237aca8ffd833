/* Sending what changed. */
#include "bus.h"
#include "panel.h"
#include "window.h"

/* Grows an area to whole lines of the format: pages of 8 rows for vertical bytes. */
static struct jl_rect align_rows(struct jl_rect area, uint8_t rows_per_line)
{
    int16_t top = (int16_t)(area.y / rows_per_line * rows_per_line);
    int16_t lines = (int16_t)((area.y + area.h - top + rows_per_line - 1) / rows_per_line);
    return (struct jl_rect){area.x, top, area.w, (int16_t)(lines * rows_per_line)};
}

static jl_status present_area(const struct jl_panel *panel, const struct jl_frame *frame,
                              struct jl_rect area)
{
    const struct jl_format *format = frame->format;
    area = align_rows(area, format->rows_per_line);
    jl_status status = jl_window_open(panel, area);

    size_t line_bytes = (size_t)area.w * format->bits_per_pixel * format->rows_per_line / 8;
    size_t lines = (size_t)area.h / format->rows_per_line;
    const uint8_t *line = frame->pixels +
                          (size_t)(area.y / format->rows_per_line) * frame->stride_bytes +
                          (size_t)area.x * format->bits_per_pixel * format->rows_per_line / 8;
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

jl_status jl_panel_present(struct jl_panel *panel, struct jl_frame *frame)
{
    jl_status status = jl_panel_ready(panel);
    if (status != JL_OK) {
        return status;
    }
    if (!frame) {
        return JL_BAD_ARGUMENT;
    }
    const struct jl_panel_config *config = panel->config;
    if (frame->format != config->controller->format) {
        return JL_UNSUPPORTED;
    }
    if (frame->target.width != config->width || frame->target.height != config->height) {
        return JL_OUT_OF_RANGE;
    }
    frame->damage.window_price_px = (uint16_t)(config->controller->window_price_bytes * 8 /
                                               frame->format->bits_per_pixel);
    if (panel->stale) {
        jl_frame_damage_all(frame);
    }
    for (uint8_t i = 0; i < frame->damage.count && status == JL_OK; i++) {
        status = present_area(panel, frame, frame->damage.rects[i]);
    }
    if (status == JL_OK) {
        jl_damage_clear(&frame->damage);
        panel->stale = false;
    }
    return jl_panel_settle(panel, status);
}
