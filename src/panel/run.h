/* Opening the window of an area, and the memory that goes into it. */
#ifndef JADELAMP_SRC_RUN_H
#define JADELAMP_SRC_RUN_H

#include "window.h"

/* Lines of memory on their way to an open window. */
struct jl_run {
    const uint8_t *line;
    uint32_t line_bytes;
    uint32_t lines;
    uint16_t stride_bytes;
};

/* Full-width lines lie one behind the other: one transfer for all of them. */
static inline void jl_run_join(struct jl_run *run) {
    if (run->line_bytes == run->stride_bytes) {
        run->line_bytes *= run->lines;
        run->lines = 1;
    }
}

/* Sends what is left of a run into the open window. */
static inline jl_status jl_run_send(const struct jl_panel *panel, struct jl_run run) {
    const struct jl_bus *bus = panel->config->bus;
    jl_status status = JL_OK;
    if (bus->lines) {
        return bus->lines(panel, run.line, run.line_bytes, run.lines, run.stride_bytes);
    }
    for (; run.lines && status == JL_OK; run.lines--, run.line += run.stride_bytes) {
        status = bus->send(panel, true, run.line, run.line_bytes);
    }
    return status;
}

/*
 * Grows an area of a frame, or of a band, to what memory and controller can address, and opens
 * its window. Inline, because the two ways of sending should not pay for each other.
 */
static inline jl_status jl_run_open(struct jl_panel *panel, const struct jl_frame *frame,
                                    struct jl_rect area, struct jl_run *run) {
    const struct jl_format *format = frame->format;
    /* Units of columns (whole bytes), and whole lines: pages for vertical bytes. */
    int shift = format->line_rows_log2;
    int unit_mask = panel->config->controller->column_unit - 1;
    int first_line = area.y >> shift;
    int end_column = (area.x + area.w + unit_mask) & ~unit_mask;
    run->lines = jl_lines(format, (int16_t)(area.y + area.h)) - (uint32_t)first_line;
    area.x = (int16_t)(area.x & ~unit_mask);
    area.w = (int16_t)(end_column - area.x);
    area.y = (int16_t)(first_line << shift);
    area.h = (int16_t)(run->lines << shift);
    jl_status status = jl_window_open(panel, area);

    run->line_bytes = jl_line_bytes(format, area.w);
    run->stride_bytes = frame->stride_bytes;
    /* A band's memory begins at its first row. */
    int own_line = first_line - (frame->target.bounds.y >> shift);
    run->line =
        frame->pixels + (size_t)own_line * run->stride_bytes + jl_line_bytes(format, area.x);
    jl_run_join(run);
    return status;
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
    *run = (struct jl_run){.line = pixels,
                           .line_bytes = jl_line_bytes(panel->format, area.w),
                           .lines = jl_lines(panel->format, area.h),
                           .stride_bytes = stride_bytes};
    jl_run_join(run);
    return JL_OK;
}

#endif
