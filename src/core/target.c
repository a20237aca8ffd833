/* Targets: the plain way of painting, and the clip. */
#include "lone.h"
#include "paint.h"
#include "rect.h"

void jl_target_init(struct jl_target *target, const struct jl_target_ops *ops, int16_t width,
                    int16_t height) {
    *target = (struct jl_target){.ops = ops, .width = width, .height = height};
    target->bounds.w = width;
    target->bounds.h = height;
    if (jl_may_aim(ops)) {
        target->clip = target->bounds;
    }
}

static struct jl_rect to_own(const struct jl_target *target, struct jl_rect area) {
    return target->painter ? target->painter->to_own(target, area) : area;
}

struct jl_rect jl_target_clip(struct jl_target *target, struct jl_rect area) {
    struct jl_rect before = target->clip;
    target->clip = jl_rect_intersect(before, to_own(target, area));
    return before;
}

void jl_target_unclip(struct jl_target *target, struct jl_rect before) {
    target->clip = jl_rect_intersect(target->bounds, before);
}

void jl_paint_stencil(struct jl_target *target, struct jl_stencil *stencil) {
    if (target->painter) {
        target->painter->stencil(target, stencil);
        return;
    }
    /* Both wrap in the same way: what is left of a map is as far from it as what is right. */
    stencil->map_x = (int16_t)(stencil->map_x - stencil->area.x);
    stencil->map_y = (int16_t)(stencil->map_y - stencil->area.y);
    if (jl_rect_cut(&stencil->area, &target->clip)) {
        stencil->map_x = (int16_t)(stencil->map_x + stencil->area.x);
        stencil->map_y = (int16_t)(stencil->map_y + stencil->area.y);
        jl_ops_of(target)->stencil(target, stencil);
    }
}
