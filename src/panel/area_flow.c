/* Areas whose pixels come bit by bit, or go while the program does something else. */
#include "area.h"

jl_status jl_flow_next(struct jl_panel *panel, struct jl_flow *flow, const struct jl_frame *frame,
                       struct jl_rest *rest) {
    struct jl_rect *stretch = &flow->stretch.area;
    const struct jl_rect *whole = &flow->area;
    int frame_end = frame->target.bounds.y + frame->target.bounds.h;
    rest->lines = 0;
    if (flow->sent == stretch->h) {
        /* The band is through: ask for no address before its pixels are there. */
        if (stretch->h && frame_end < whole->y + whole->h && stretch->y + stretch->h == frame_end &&
            stretch->x + stretch->w >= whole->x + whole->w) {
            return JL_OK;
        }
        jl_status status = jl_stretch_next(panel, whole, &flow->stretch);
        flow->sent = 0;
        panel->streaming = flow;
        if (status != JL_OK || stretch->h == 0) {
            return status;
        }
    }
    struct jl_stretch now = flow->stretch;
    now.area.y = (int16_t)(now.area.y + flow->sent);
    now.area.h = (int16_t)(now.area.h - flow->sent);
    if (now.area.h > frame_end - now.area.y) {
        now.area.h = (int16_t)(frame_end - now.area.y);
    }
    if (now.area.h > 0) {
        flow->sent = (int16_t)(flow->sent + now.area.h);
        jl_rest_find(panel, frame, &now, rest);
    }
    return JL_OK;
}
