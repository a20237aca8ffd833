/* Moving a part of a frame. */
#include "lone.h"
#include "jadelamp/frame.h"
#include "paint.h"

void jl_frame_scroll(struct jl_frame *frame, struct jl_rect area, int16_t dx, int16_t dy,
                     jl_color color) {
    struct jl_target *t = &frame->target;
    area = jl_rect_intersect(area, t->bounds);
    int32_t to_x = (int32_t)area.x + dx, to_y = (int32_t)area.y + dy;
    struct jl_rect moved = {(int16_t)to_x, (int16_t)to_y, area.w, area.h};
    bool reachable =
        to_x >= INT16_MIN && to_x <= INT16_MAX && to_y >= INT16_MIN && to_y <= INT16_MAX;
    struct jl_rect kept = reachable ? jl_rect_intersect(area, moved) : (struct jl_rect){0, 0, 0, 0};

    /* From the side it moves to, so that nothing is overwritten before it was read. */
    for (int row = 0; row < kept.h; row++) {
        int y = dy > 0 ? kept.y + kept.h - 1 - row : kept.y + row;
        for (int done = 0; done < kept.w; done += JL_CHUNK) {
            jl_color pixels[JL_CHUNK];
            int count = kept.w - done < JL_CHUNK ? kept.w - done : JL_CHUNK;
            int x = dx > 0 ? kept.x + kept.w - done - count : kept.x + done;
            jl_ops_of(t)->get(t, (int16_t)(x - dx), (int16_t)(y - dy), (int16_t)count, pixels);
            jl_ops_put(t, (int16_t)x, (int16_t)y, (int16_t)count, pixels);
        }
    }
    uint32_t ink = jl_ink(t, color);
    /* What became free: rows above or below, columns beside. */
    for (int y = area.y; y < area.y + area.h; y++) {
        bool row_kept = y >= kept.y && y < kept.y + kept.h;
        struct jl_rect left = {area.x, (int16_t)y, area.w, 1};
        if (row_kept) {
            left.w = (int16_t)(kept.x - area.x);
            struct jl_rect right = {(int16_t)(kept.x + kept.w), (int16_t)y,
                                    (int16_t)(area.x + area.w - kept.x - kept.w), 1};
            if (right.w > 0) {
                jl_ops_of(t)->fill(t, right, ink);
            }
        }
        if (left.w > 0) {
            jl_ops_of(t)->fill(t, left, ink);
        }
    }
}
