/* Linear gradients with an ordered dither. */
#include "../core/paint.h"
#include "jadelamp/shapes.h"

struct gradient {
    struct jl_rect rect;
    enum jl_axis axis;
    jl_color from, to;
    const uint8_t *bits;
};

/* A channel at step i of n: exact, to the nearest. One division for each channel. */
static uint32_t channel_at(uint32_t from, uint32_t to, uint32_t i, uint32_t n) {
    return n ? (2 * (from * (n - i) + to * i) + n) / (2 * n) : from;
}

static jl_color color_at(const struct gradient *g, uint32_t i, uint32_t n) {
    return JL_RGB(channel_at(jl_color_red(g->from), jl_color_red(g->to), i, n),
                  channel_at(jl_color_green(g->from), jl_color_green(g->to), i, n),
                  channel_at(jl_color_blue(g->from), jl_color_blue(g->to), i, n));
}

/* B. E. Bayer, 1973: the 8x8 matrix, built from the bits of x and y instead of a table. */
static int bayer(unsigned x, unsigned y) {
    unsigned v = x ^ y;
    return (int)((v & 1) << 5 | (y & 1) << 4 | (v & 2) << 2 | (y & 2) << 1 | (v & 4) >> 1 |
                 (y & 4) >> 2);
}

static uint32_t dithered(uint32_t channel, int threshold, unsigned bits) {
    /* (B - 31.5) / 64 of a step of 255 / (2^n - 1); in 1/128, to the nearest. */
    int levels = (1 << bits) - 1;
    int add = (2 * threshold - 63) * 255;
    int scale = 128 * levels;
    int value = ((int)channel * scale * 2 + 2 * add + scale) / (2 * scale);
    return (uint32_t)(value < 0 ? 0 : value > 255 ? 255 : value);
}

static jl_color dither(const struct gradient *g, jl_color c, int x, int y) {
    int threshold = bayer((unsigned)x, (unsigned)y);
    return JL_RGB(dithered(jl_color_red(c), threshold, g->bits[0]),
                  dithered(jl_color_green(c), threshold, g->bits[1]),
                  dithered(jl_color_blue(c), threshold, g->bits[2]));
}

static void shade(const void *context, int x, int y, int count, jl_color *row) {
    const struct gradient *g = context;
    bool along_x = g->axis == JL_AXIS_X;
    uint32_t n = (uint32_t)(along_x ? g->rect.w : g->rect.h) - 1;
    jl_color c = along_x ? 0 : color_at(g, (uint32_t)(y - g->rect.y), n);
    for (int i = 0; i < count; i++) {
        if (along_x) {
            c = color_at(g, (uint32_t)(x + i - g->rect.x), n);
        }
        row[i] = g->bits ? dither(g, c, x + i, y) : c;
    }
}

void jl_fill_gradient(struct jl_target *target, struct jl_rect rect, enum jl_axis axis,
                      jl_color from, jl_color to, const uint8_t bits[3]) {
    struct gradient g = {rect, axis, from, to, bits};
    jl_paint_shade(target, rect, shade, &g);
}
