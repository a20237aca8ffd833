/*
 * The one way to the glass: an area is sent part by part as the controller wants it addressed,
 * framed as the bus wants it. All calls that send pixels are written on this.
 */
#ifndef JADELAMP_SRC_AREA_H
#define JADELAMP_SRC_AREA_H

#include "../core/lines.h"
#include "jadelamp/panel.h"

/* Bytes of a line's part of that width; whole bytes by the controller's column unit. */
static inline uint32_t jl_line_bytes(const struct jl_format *format, int16_t width) {
    return (((uint32_t)width * format->bits_per_pixel) << format->line_rows_log2) / 8;
}

/* The memory of a frame, or of a band of one. */
static inline struct jl_source jl_source_of_frame(const struct jl_frame *frame) {
    return (struct jl_source){
        .area = frame->target.bounds,
        .pixels = frame->pixels,
        .plane_bytes = frame->stride_bytes * jl_lines(frame->format, frame->target.bounds.h),
        .stride_bytes = frame->stride_bytes};
}

/*
 * The lines of memory for a part, or for some rows of one; the source holds them. Lines that lie
 * one behind the other are one.
 */
void jl_rest_find(const struct jl_panel *panel, const struct jl_source *source,
                  const struct jl_part *part, struct jl_rest *rest);

/* Sends what is left, lines in one go where the bus can. */
jl_status jl_rest_send(const struct jl_panel *panel, const struct jl_rest *rest);

/* Tells the controller about the next part of an area; of h 0: there is none, the area is done. */
jl_status jl_part_next(struct jl_panel *panel, struct jl_rect area, struct jl_part *part);

/* Sends an area from memory that holds it; NULL: the format's clear colour. */
jl_status jl_area_send(struct jl_panel *panel, struct jl_rect area, const struct jl_source *source);

/* An area grown to what memory and controller can address: units of columns, whole lines. */
struct jl_rect jl_area_grown(const struct jl_panel *panel, struct jl_rect area);

/* Whether pixels can be sent to just this area of the picture. */
bool jl_area_addressable(const struct jl_panel *panel, struct jl_rect area);

/* What is wrong with a piece of the caller's pixels. */
static inline jl_status jl_piece_check(const struct jl_panel *panel, struct jl_rect area,
                                       const void *pixels) {
    return !pixels                            ? JL_BAD_ARGUMENT
           : jl_area_addressable(panel, area) ? JL_OK
                                              : JL_OUT_OF_RANGE;
}

/* Begins an area anew: the controller must be told about what is still to come of it. */
static inline void jl_flow_begin(struct jl_flow *flow, struct jl_rect area, bool in_order) {
    *flow = (struct jl_flow){.area = area, .part.in_order = in_order};
}

/*
 * The next lines to send of a source that holds all of the area, or (in order) the rows of it
 * that come next. No lines: the source is through, or the area is, and the controller was told.
 */
jl_status jl_flow_next(struct jl_panel *panel, struct jl_flow *flow, const struct jl_source *source,
                       struct jl_rest *rest);

#endif
