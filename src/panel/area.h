/*
 * The one way to the glass: an area is sent stretch by stretch as the controller wants it
 * addressed, framed as the bus wants it. All calls that send pixels are written on this.
 */
#ifndef JADELAMP_SRC_AREA_H
#define JADELAMP_SRC_AREA_H

#include "../core/lone.h"
#include "../core/lines.h"
#include "../core/mem.h"
#include "jadelamp/panel.h"

/* Memory that holds the pixels of an area, as a frame or a band would. */
static inline struct jl_frame jl_frame_of_pixels(const struct jl_panel *panel, struct jl_rect area,
                                                 const void *pixels, uint16_t stride_bytes) {
    return (struct jl_frame){.target = {.bounds = area},
                             .format = jl_format_of(panel),
                             .pixels = (uint8_t *)(uintptr_t)pixels, /* never written */
                             .stride_bytes = stride_bytes};
}

/*
 * The lines of a frame or band for a stretch, or for some rows of one, which it holds. Lines that
 * lie one behind the other are one. NULL: how many lines of how many bytes there would be.
 */
void jl_rest_find(const struct jl_panel *panel, const struct jl_frame *frame,
                  const struct jl_stretch *stretch, struct jl_rest *rest);

/* Tells the controller about the next stretch of an area; of h 0: there is none, the area is done.
 */
jl_status jl_stretch_next(struct jl_panel *panel, const struct jl_rect *area,
                          struct jl_stretch *stretch);

/* Sends an area from the frame or band that holds it; NULL: the format's clear colour. */
jl_status jl_area_send(struct jl_panel *panel, const struct jl_rect *area,
                       const struct jl_frame *frame);

/* Grows an area to what memory and controller can address: units of columns, whole lines. */
void jl_area_grow(const struct jl_panel *panel, struct jl_rect *area);

/* Whether pixels can be sent to just this area of the picture. */
bool jl_area_addressable(const struct jl_panel *panel, struct jl_rect area);

/* What is wrong with a piece of the caller's pixels. */
static inline jl_status jl_piece_check(const struct jl_panel *panel, struct jl_rect area,
                                       const void *pixels) {
    return !pixels ? JL_BAD_ARGUMENT : jl_area_addressable(panel, area) ? JL_OK : JL_OUT_OF_RANGE;
}

/* Begins an area anew: the controller must be told about what is still to come of it. */
static inline void jl_flow_begin(struct jl_flow *flow, struct jl_rect area, bool in_order) {
    memset(flow, 0, sizeof *flow);
    flow->area = area;
    flow->stretch.in_order = in_order;
}

/*
 * The next lines to send of a frame that holds all of the area, or (in order) of a band with the
 * rows of it that come next. No lines: the band is through, or the area is, and the controller
 * was told.
 */
jl_status jl_flow_next(struct jl_panel *panel, struct jl_flow *flow, const struct jl_frame *frame,
                       struct jl_rest *rest);

#endif
