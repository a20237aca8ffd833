/* From areas of frames to lines of memory, and on to the wire. */
#ifndef JADELAMP_SRC_RUN_H
#define JADELAMP_SRC_RUN_H

#include "window.h"

/* What is left to send of a run. */
struct jl_rest {
    const uint8_t *line;
    uint32_t line_bytes;
    uint32_t lines;
    uint16_t stride_bytes;
};

/* Full-width lines lie one behind the other: one transfer for all of them. */
static inline struct jl_rest jl_rest_of(const struct jl_panel *panel, const struct jl_run *run) {
    struct jl_rest rest = {run->line, jl_line_bytes(panel->format, run->area.w),
                           jl_lines(panel->format, run->area.h), run->stride_bytes};
    if (rest.line_bytes == rest.stride_bytes) {
        rest.line_bytes *= rest.lines;
        rest.lines = 1;
    }
    return rest;
}

/* Sends what is left into the open window. */
static inline jl_status jl_rest_send(const struct jl_panel *panel, struct jl_rest rest) {
    const struct jl_bus *bus = panel->config->bus;
    jl_status status = JL_OK;
    if (bus->lines) {
        return bus->lines(panel, rest.line, rest.line_bytes, rest.lines, rest.stride_bytes);
    }
    for (; rest.lines && status == JL_OK; rest.lines--, rest.line += rest.stride_bytes) {
        status = bus->send(panel, true, rest.line, rest.line_bytes);
    }
    return status;
}

/* Sends a run's pixels, or black, into the open window. */
static inline jl_status jl_run_send(const struct jl_panel *panel, const struct jl_run *run) {
    static const uint8_t black[3] = {0};
    struct jl_rest rest = jl_rest_of(panel, run);
    return rest.line ? jl_rest_send(panel, rest)
                     : panel->config->bus->fill(panel, black, rest.lines * rest.line_bytes);
}

/*
 * Grows an area of a frame, or of a band, to what memory and controller can address, and finds
 * its lines. Inline, because the two ways of sending should not pay for each other.
 */
static inline void jl_run_find(const struct jl_panel *panel, const struct jl_frame *frame,
                               struct jl_rect area, struct jl_run *run) {
    const struct jl_format *format = frame->format;
    /* Units of columns (whole bytes), and whole lines: pages for vertical bytes. */
    int shift = format->line_rows_log2;
    int unit_mask = panel->config->controller->column_unit - 1;
    int first_line = area.y >> shift;
    int end_line = (int)jl_lines(format, (int16_t)(area.y + area.h));
    int end_column = (area.x + area.w + unit_mask) & ~unit_mask;
    int first_column = area.x & ~unit_mask;
    run->area.x = (int16_t)first_column;
    run->area.w = (int16_t)(end_column - first_column);
    run->area.y = (int16_t)(first_line << shift);
    run->area.h = (int16_t)((end_line - first_line) << shift);
    run->stride_bytes = frame->stride_bytes;
    /* A band's memory begins at its first row. */
    int own_line = first_line - (frame->target.bounds.y >> shift);
    run->line = frame->pixels + (size_t)own_line * run->stride_bytes +
                jl_line_bytes(format, (int16_t)first_column);
}

/* Whether a frame is what the panel shows. */
static inline jl_status jl_present_check(const struct jl_panel *panel,
                                         const struct jl_frame *frame) {
    if (!frame) {
        return JL_BAD_ARGUMENT;
    }
    if (frame->format != panel->format) {
        return JL_UNSUPPORTED;
    }
    return frame->target.bounds.w == panel->width && frame->target.bounds.h == panel->height
               ? JL_OK
               : JL_OUT_OF_RANGE;
}

/* What a present sends: the damage, or everything when the RAM holds another picture. */
static inline uint8_t jl_present_areas(const struct jl_panel *panel, const struct jl_frame *frame,
                                       const struct jl_rect **areas) {
    struct jl_damage *damage = frame->damage;
    *areas = &frame->target.bounds;
    if (damage) {
        damage->window_price_px = panel->config->controller->window_price_px;
        if (panel->shown == frame) {
            *areas = damage->rects;
            return damage->count;
        }
    }
    return 1;
}

/* Whether pixels can be sent to just this area of the picture. */
static inline bool jl_area_addressable(const struct jl_panel *panel, struct jl_rect area) {
    int lines_mask = (1 << panel->format->line_rows_log2) - 1;
    int unit_mask = panel->config->controller->column_unit - 1;
    return area.x >= 0 && area.y >= 0 && area.w >= 1 && area.h >= 1 &&
           area.x + area.w <= panel->width && area.y + area.h <= panel->height &&
           !((area.x | area.w) & unit_mask) && !((area.y | area.h) & lines_mask);
}

/* A piece of the caller's pixels for an area; the panel is ready. */
static inline jl_status jl_piece_check(const struct jl_panel *panel, struct jl_rect area,
                                       const void *pixels, uint16_t stride_bytes,
                                       struct jl_run *run) {
    if (!pixels) {
        return JL_BAD_ARGUMENT;
    }
    if (!jl_area_addressable(panel, area)) {
        return JL_OUT_OF_RANGE;
    }
    *run = (struct jl_run){.area = area, .line = pixels, .stride_bytes = stride_bytes};
    return JL_OK;
}

#endif
