/* Fills: rectangles, single pixels, everything. */
#include "../core/paint.h"

void jl_fill_rect(struct jl_target *target, struct jl_rect rect, jl_color color) {
    if (color == JL_CLEAR) {
        return;
    }
    if (target->painter) {
        target->painter->fill(target, rect, color);
        return;
    }
    struct jl_rect visible = jl_rect_intersect(rect, target->clip);
    if (visible.w > 0) {
        target->ops->fill(target, visible, color);
    }
}

void jl_clear(struct jl_target *target, jl_color color) {
    jl_fill_rect(target, jl_paint_visible(target), color);
}

void jl_draw_pixel(struct jl_target *target, int16_t x, int16_t y, jl_color color) {
    jl_fill_rect(target, (struct jl_rect){x, y, 1, 1}, color);
}
