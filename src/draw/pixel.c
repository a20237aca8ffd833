/* Single pixels. */
#include "dots.h"

void jl_draw_pixel(struct jl_target *target, int16_t x, int16_t y, jl_color color) {
    const struct jl_rect *clip = &target->clip;
    if (target->painter || color == JL_CLEAR || !target->ops || !target->ops->dot) {
        jl_fill_rect(target, (struct jl_rect){x, y, 1, 1}, color);
    } else if (x >= clip->x && y >= clip->y && x - clip->x < clip->w && y - clip->y < clip->h &&
               target->ops->dot(target, x, y, jl_ink(target, color))) {
        if (((struct jl_frame *)target)->damage) {
            jl_dots_changed(target, x, y, x, y);
        }
    }
}
