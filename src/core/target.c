/* Targets: the plain way of painting, and the clip. */
#include "paint.h"
#include "rect.h"

void jl_target_init(struct jl_target *target, const struct jl_target_ops *ops, int16_t width,
                    int16_t height) {
    *target = (struct jl_target){.ops = ops, .width = width, .height = height};
    target->bounds.w = width;
    target->bounds.h = height;
    target->clip = target->bounds;
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

void jl_paint_stencil(struct jl_target *target, struct jl_rect area, const struct jl_bitmap *map,
                      int map_x, int map_y, jl_color ink, jl_color paper) {
    if (target->painter) {
        target->painter->stencil(target, area, map, map_x, map_y, ink, paper);
        return;
    }
    int16_t x = area.x, y = area.y;
    if (jl_rect_cut(&area, &target->clip)) {
        target->ops->stencil(target, area, map, (int16_t)(map_x + area.x - x),
                             (int16_t)(map_y + area.y - y), ink, paper);
    }
}
