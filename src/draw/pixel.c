/* Single pixels. */
#include "dots.h"

void jl_draw_pixel(struct jl_target *target, int16_t x, int16_t y, jl_color color) {
    const struct jl_rect *clip = &target->clip;
    if (target->painter) {
        jl_fill_rect(target, (struct jl_rect){x, y, 1, 1}, color);
        return;
    }
    /* Both differences wrap, so that what is left of the clip or above it is too far, as well. A
     * target that could not be set up has an empty clip, and no operations. */
    if ((uint16_t)(x - clip->x) >= (uint16_t)clip->w ||
        (uint16_t)(y - clip->y) >= (uint16_t)clip->h || color == JL_CLEAR) {
        return;
    }
    uint32_t ink = jl_ink(target, color);
    if (!target->ops->dot) {
        target->ops->fill(target, (struct jl_rect){x, y, 1, 1}, ink);
    } else if (target->ops->dot(target, x, y, ink) && ((struct jl_frame *)target)->damage) {
        jl_dots_changed(target, x, y, x, y);
    }
}
