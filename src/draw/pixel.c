/* Single pixels. */
#include "dots.h"

#include "../core/lone.h"

/* Where it is not a single store. Never inlined: the store then needs no memory of its own. */
#ifdef __GNUC__
__attribute__((noinline))
#endif
static void
fill_pixel(struct jl_target *target, int16_t x, int16_t y, jl_color color) {
    jl_fill_rect(target, (struct jl_rect){x, y, 1, 1}, color);
}

void jl_draw_pixel(struct jl_target *target, int16_t x, int16_t y, jl_color color) {
    const struct jl_rect *clip = &target->clip;
    if (target->painter) {
        fill_pixel(target, x, y, color);
        return;
    }
    /* What is left of the clip or above it is far too much without a sign; the clip never begins
     * below 0, and a small core reads it so in one instruction. A target that could not be set up
     * has an empty clip, and no operations. */
    if ((unsigned)(x - (int)(uint16_t)clip->x) >= (uint16_t)clip->w ||
        (unsigned)(y - (int)(uint16_t)clip->y) >= (uint16_t)clip->h ||
        color >> 24 == JL_CLEAR >> 24) {
        return;
    }
    if (!jl_ops_of(target)->dot) {
        fill_pixel(target, x, y, color);
        return;
    }
    if (jl_ops_of(target)->dot(jl_ink(target, color), target, x, y) && jl_dots_damage(target)) {
        jl_dots_tell(target, (struct jl_rect){x, y, 1, 1});
    }
}
