/* Discs and rings. */
#include "cut.h"

struct ring {
    int32_t x, y;         /* of the middle: column, line */
    int32_t outer, inner; /* lines; inner 0: no hole */
};

static void cut(const void *context, int32_t y, struct jl_cut *out) {
    const struct ring *ring = context;
    int32_t reach = jl_disc_reach((uint32_t)ring->outer, y - ring->y);
    if (reach < 0) {
        return;
    }
    int32_t hole = ring->inner ? jl_disc_reach((uint32_t)ring->inner, y - ring->y) : -1;
    if (hole <= 0) {
        jl_cut_add(out, ring->x - reach, ring->x + reach);
    } else {
        jl_cut_add(out, ring->x - reach, ring->x - hole);
        jl_cut_add(out, ring->x + hole, ring->x + reach);
    }
}

static int32_t aside(const void *context, int32_t top, int32_t bottom) {
    const struct ring *ring = context;
    bool in_hole = bottom > ring->y - ring->inner && top < ring->y + ring->inner;
    return jl_disc_aside(in_hole ? ring->inner : ring->outer, bottom - top);
}

void jl_smooth_ring(struct jl_target *target, struct jl_point centre, int16_t outer, int16_t inner,
                    jl_color ink, jl_color paper) {
    struct ring ring = {centre.x * (int32_t)16, centre.y * (int32_t)2, outer * (int32_t)2,
                        inner > 0 ? inner * (int32_t)2 : 0};
    if (outer <= 0 || inner >= outer) {
        return;
    }
    jl_smooth_paint(target,
                    &(struct jl_smooth_shape){.cut = cut,
                                              .aside = aside,
                                              .context = &ring,
                                              .left = ring.x - ring.outer * 8,
                                              .right = ring.x + ring.outer * 8,
                                              .top = ring.y - ring.outer,
                                              .bottom = ring.y + ring.outer,
                                              .mirrored = true},
                    ink, paper);
}

void jl_smooth_disc(struct jl_target *target, struct jl_point centre, int16_t radius, jl_color ink,
                    jl_color paper) {
    jl_smooth_ring(target, centre, radius, 0, ink, paper);
}
