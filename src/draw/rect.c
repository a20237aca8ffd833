/* Clearing and single pixels: one fill each. */
#include "../core/paint.h"

void jl_clear(struct jl_target *target, jl_color color) {
    jl_fill_rect(target, jl_paint_visible(target), color);
}

void jl_draw_pixel(struct jl_target *target, int16_t x, int16_t y, jl_color color) {
    jl_fill_rect(target, (struct jl_rect){x, y, 1, 1}, color);
}
