/* One colour at soft edges: so much of it at each pixel. */
#include "paint.h"

struct shares {
    const uint8_t *shares;
    jl_color ink, paper;
    int x;
};

static jl_color color_of(const struct shares *s, uint8_t share) {
    return share == 255           ? s->ink
           : share == 0           ? JL_CLEAR
           : s->paper == JL_CLEAR ? s->ink | (jl_color)(255u - share) << 24
                                  : jl_color_mix(s->paper, s->ink, share);
}

static void shade(const void *context, int x, int y, int count, jl_color *row) {
    const struct shares *s = context;
    (void)y;
    for (int i = 0; i < count; i++) {
        row[i] = color_of(s, s->shares[x + i - s->x]);
    }
}

void jl_paint_cover(struct jl_target *target, int16_t x, int16_t y, int16_t count,
                    const uint8_t *shares, jl_color ink, jl_color paper) {
    const struct shares s = {shares, ink, paper, x};
    jl_paint_shade(target, (struct jl_rect){x, y, count, 1}, shade, &s);
}
