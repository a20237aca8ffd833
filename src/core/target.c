/* The clip of a target. */
#include "jadelamp/target.h"

void jl_target_clip(struct jl_target *target, struct jl_rect area) {
    struct jl_rect whole = {0, 0, target->width, target->height};
    target->clip = jl_rect_intersect(whole, area);
}

void jl_target_unclip(struct jl_target *target) {
    target->clip = (struct jl_rect){0, 0, target->width, target->height};
}
