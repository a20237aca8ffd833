/* 1-bit pictures: one stencil each. */
#include "../core/paint.h"

void jl_draw_bitmap(struct jl_target *target, int16_t x, int16_t y, const struct jl_bitmap *map,
                    jl_color ink, jl_color paper) {
    jl_paint_stencil(target,
                     &(struct jl_stencil){{x, y, map->width, map->height}, map, 0, 0, ink, paper});
}
