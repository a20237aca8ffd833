/* 1-bit pictures: clip, then one stencil operation of the target. */
#include "jadelamp/draw.h"

#include "stencil.h"

void jl_stencil_clipped(struct jl_target *target, struct jl_rect area, const struct jl_bitmap *map,
                        jl_color ink, jl_color paper) {
    struct jl_rect visible = jl_rect_intersect(area, target->clip);
    if (visible.w > 0) {
        target->ops->stencil(target, visible, map, (int16_t)(visible.x - area.x),
                             (int16_t)(visible.y - area.y), ink, paper);
    }
}

void jl_draw_bitmap(struct jl_target *target, int16_t x, int16_t y, const struct jl_bitmap *map,
                    jl_color ink, jl_color paper) {
    jl_stencil_clipped(target, (struct jl_rect){x, y, map->width, map->height}, map, ink, paper);
}
