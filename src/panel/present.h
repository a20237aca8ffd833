/* What the ways of presenting a frame share. */
#ifndef JADELAMP_SRC_PRESENT_H
#define JADELAMP_SRC_PRESENT_H

#include "../core/lone.h"
#include "area.h"

/* Whether a frame is what the panel shows; inline, since programs mostly have one of the ways. */
static inline jl_status jl_present_check(const struct jl_panel *panel,
                                         const struct jl_frame *frame) {
    if (!frame) {
        return JL_BAD_ARGUMENT;
    }
    if (jl_frame_format(frame) != jl_format_of(panel)) {
        return JL_BAD_FRAME_FORMAT;
    }
    return frame->target.bounds.w == panel->width && frame->target.bounds.h == panel->height
               ? JL_OK
               : JL_BAD_FRAME_SIZE;
}

/* Whether the RAM holds all of the frame but its damage. */
static inline bool jl_present_in_step(const struct jl_panel *panel, const struct jl_frame *frame) {
    return frame->damage && panel->shown == frame && frame->damage->panel == panel;
}

/* What a present sends: the damage, or everything when the RAM holds another picture. */
static inline uint8_t jl_present_areas(const struct jl_panel *panel, const struct jl_frame *frame,
                                       const struct jl_rect **areas) {
    if (jl_present_in_step(panel, frame)) {
        *areas = frame->damage->rects;
        return frame->damage->count;
    }
    *areas = &frame->target.bounds;
    return 1;
}

/* All of it is out, or what is not makes a wake-up necessary. */
static inline void jl_present_done(struct jl_panel *panel, const struct jl_frame *frame) {
    struct jl_damage *damage = frame->damage;
    panel->shown = frame;
    if (damage) {
        damage->window_price_px = jl_config_of(panel)->controller->window_price_px;
        damage->panel = panel;
        damage->shadow = NULL;
        damage->count = 0;
        damage->second_plane = false;
    }
}

#endif
