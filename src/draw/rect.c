/* Rectangles, single pixels and clearing: one clipped fill each. */
#include "jadelamp/draw.h"

void jl_fill_rect(struct jl_target *target, struct jl_rect rect, jl_color color) {
    struct jl_rect visible = jl_rect_intersect(rect, target->clip);
    if (visible.w > 0 && color != JL_CLEAR) {
        target->ops->fill(target, visible, color);
    }
}

void jl_clear(struct jl_target *target, jl_color color) {
    jl_fill_rect(target, target->clip, color);
}

void jl_draw_pixel(struct jl_target *target, int16_t x, int16_t y, jl_color color) {
    jl_fill_rect(target, (struct jl_rect){x, y, 1, 1}, color);
}
