/* Linear gradients with an ordered dither. */
#include "../core/lone.h"
#include "../core/mem.h"
#include "../core/paint.h"
#include "dither.h"
#include "jadelamp/frame.h"
#include "jadelamp/shapes.h"

struct gradient {
    struct jl_rect rect;
    enum jl_axis axis;
    jl_color from, to;
    const uint8_t *bits;
};

/*
 * A channel along the gradient, exact and to the nearest: floor((2 (from (n - i) + to i) + n)
 * / 2n) at step i of n. It starts anywhere with one division and goes on by adding.
 */
struct channel {
    int32_t value, rest; /* the whole part, and what is left of 2n */
    int32_t value_step, rest_step;
    int32_t whole; /* 2n */
};

static struct channel channel_from(uint32_t from, uint32_t to, int32_t i, int32_t n) {
    struct channel c = {(int32_t)from, 0, 0, 0, 1};
    if (n > 0) {
        int32_t step = 2 * ((int32_t)to - (int32_t)from);
        int32_t sum = 2 * ((int32_t)from * (n - i) + (int32_t)to * i) + n;
        c.whole = 2 * n;
        c.value = sum / c.whole;
        c.rest = sum % c.whole;
        c.value_step = step / c.whole;
        c.rest_step = step % c.whole;
        if (c.rest_step < 0) {
            c.rest_step += c.whole;
            c.value_step--;
        }
    }
    return c;
}

static inline void channel_advance(struct channel *c) {
    c->value += c->value_step;
    c->rest += c->rest_step;
    if (c->rest >= c->whole) {
        c->rest -= c->whole;
        c->value++;
    }
}

static jl_color dither(const struct gradient *g, jl_color c, int x, int y) {
    int threshold = jl_bayer((unsigned)x, (unsigned)y);
    return JL_RGB(jl_dither_channel(jl_color_red(c), threshold, g->bits[0]),
                  jl_dither_channel(jl_color_green(c), threshold, g->bits[1]),
                  jl_dither_channel(jl_color_blue(c), threshold, g->bits[2]));
}

static void shade(const void *context, int x, int y, int count, jl_color *row) {
    const struct gradient *g = context;
    bool along_x = g->axis == JL_AXIS_X;
    int32_t n = (int32_t)(along_x ? g->rect.w : g->rect.h) - 1;
    int32_t at = along_x ? (int32_t)x - g->rect.x : (int32_t)y - g->rect.y;
    struct channel r = channel_from(jl_color_red(g->from), jl_color_red(g->to), at, n);
    struct channel gr = channel_from(jl_color_green(g->from), jl_color_green(g->to), at, n);
    struct channel b = channel_from(jl_color_blue(g->from), jl_color_blue(g->to), at, n);
    for (int i = 0; i < count; i++) {
        jl_color c = JL_RGB((uint32_t)r.value, (uint32_t)gr.value, (uint32_t)b.value);
        row[i] = g->bits ? dither(g, c, x + i, y) : c;
        if (along_x) {
            channel_advance(&r);
            channel_advance(&gr);
            channel_advance(&b);
        }
    }
}

enum { BAYER = 8 }; /* the dither repeats after so many pixels */

/* Where a frame keeps a pixel of whole bytes. NULL: the target is none, or has smaller pixels. */
static uint8_t *place_of(const struct jl_target *target, int32_t x, int32_t y) {
    const struct jl_frame *frame = (const struct jl_frame *)target; /* what has dots is one */
    if (!jl_ops_of(target)->dot || jl_frame_format(frame)->bits_per_pixel < 8) {
        return NULL;
    }
    return frame->pixels + (size_t)(y - target->bounds.y) * frame->stride_bytes +
           (size_t)(x - target->bounds.x) * (jl_frame_format(frame)->bits_per_pixel / 8u);
}

static void put_row(struct jl_target *target, struct jl_rect visible, int32_t y,
                    const struct gradient *g) {
    for (int16_t done = 0; done < visible.w; done = (int16_t)(done + JL_CHUNK)) {
        jl_color row[JL_CHUNK];
        int16_t x = (int16_t)(visible.x + done);
        int16_t count = visible.w - done < JL_CHUNK ? (int16_t)(visible.w - done) : JL_CHUNK;
        shade(g, x, (int)y, count, row);
        jl_ops_put(target, x, (int16_t)y, count, row);
    }
}

/* Rows that are the same are computed once and copied: all, or every eighth with a dither. */
static void draw_along_x(struct jl_target *target, struct jl_rect visible,
                         const struct gradient *g) {
    int32_t step = g->bits ? BAYER : 1;
    for (int32_t i = 0; i < visible.h; i++) {
        uint8_t *to = place_of(target, visible.x, visible.y + i);
        if (i < step || !to) {
            put_row(target, visible, visible.y + i, g);
            continue;
        }
        const struct jl_frame *frame = (const struct jl_frame *)target;
        size_t bytes = (size_t)visible.w * (jl_frame_format(frame)->bits_per_pixel / 8u);
        memcpy(to, to - (size_t)step * frame->stride_bytes, bytes);
        if (i == step && frame->damage) {
            frame->damage->add(frame->damage, visible, 0);
        }
    }
}

/* A row has one colour, or a dither that repeats within a chunk. */
static void draw_along_y(struct jl_target *target, struct jl_rect visible,
                         const struct gradient *g) {
    for (int32_t y = visible.y; y < (int32_t)visible.y + visible.h; y++) {
        jl_color row[JL_CHUNK];
        shade(g, visible.x, (int)y, g->bits ? JL_CHUNK : 1, row);
        if (!g->bits) {
            jl_ops_of(target)->fill(target, (struct jl_rect){visible.x, (int16_t)y, visible.w, 1},
                                    jl_ink(target, row[0]));
            continue;
        }
        for (int16_t done = 0; done < visible.w; done = (int16_t)(done + JL_CHUNK)) {
            int16_t count = visible.w - done < JL_CHUNK ? (int16_t)(visible.w - done) : JL_CHUNK;
            jl_ops_put(target, (int16_t)(visible.x + done), (int16_t)y, count, row);
        }
    }
}

void jl_fill_gradient(struct jl_target *target, struct jl_rect rect, enum jl_axis axis,
                      jl_color from, jl_color to, const uint8_t bits[3]) {
    struct gradient g = {rect, axis, from, to, bits};
    if (target->painter || !jl_ops_of(target) || jl_ops_of(target)->shade) {
        jl_paint_shade(target, rect, shade, &g);
        return;
    }
    struct jl_rect visible = jl_rect_intersect(rect, target->clip);
    if (visible.w > 0) {
        (axis == JL_AXIS_X ? draw_along_x : draw_along_y)(target, visible, &g);
    }
}
