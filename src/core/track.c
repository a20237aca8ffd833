/* Tracking what changes in a frame. Apart from frame.c, so that it is linked only when wanted. */
#include "jadelamp/frame.h"

#include "lone.h"

void jl_frame_damage_all(struct jl_frame *frame) {
    if (frame->damage) {
        frame->damage->count = 1;
        frame->damage->second_plane = true;
        frame->damage->rects[0] = frame->target.bounds;
    }
}

void jl_frame_track(struct jl_frame *frame, struct jl_damage *damage) {
    frame->damage = damage;
    if (damage) {
        jl_damage_init(damage, jl_frame_format(frame)->window_price_px,
                       jl_frame_format(frame)->line_rows_log2);
        jl_frame_damage_all(frame);
    }
}
