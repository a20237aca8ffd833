/*
 * The three ways of painting, which all drawing is made of. Areas and positions
 * are in picture coordinates and may lie anywhere.
 */
#ifndef JADELAMP_SRC_PAINT_H
#define JADELAMP_SRC_PAINT_H

#include "jadelamp/draw.h"

#include "lone.h"

/*
 * What a turned target or another mode than replacing does instead. One constant for
 * both, referred to only by the calls that set them, so that others do not carry it.
 */
struct jl_painter {
    void (*fill)(struct jl_target *target, struct jl_rect area, jl_color color);
    void (*stencil)(struct jl_target *target, const struct jl_stencil *stencil);
    void (*shade)(struct jl_target *target, struct jl_rect area, jl_shade_fn shade,
                  const void *context);
    struct jl_rect (*to_own)(const struct jl_target *target, struct jl_rect area);
    struct jl_rect (*to_picture)(const struct jl_target *target, struct jl_rect own);
};

/* What the target's fill operation takes for a colour. */
static inline uint32_t jl_ink(const struct jl_target *target, jl_color color) {
    return jl_ops_of(target)->ink ? jl_ops_of(target)->ink(color, target) : color;
}

/* One colour for many areas of a target. */
struct jl_brush {
    struct jl_target *target;
    jl_color color;
    uint32_t ink; /* where there is no painter */
};

struct jl_brush jl_brush_of(struct jl_target *target, jl_color color);

/* jl_fill_rect() with it. */
void jl_brush_fill(const struct jl_brush *brush, struct jl_rect area);

/*
 * Around the drawing of a shape of so many columns and rows that is made of small parts: those
 * that are neighbours become few areas of damage. The second call ends it.
 */
static inline void jl_shape_begins(struct jl_target *target, int32_t columns, int32_t rows) {
    int32_t patience = (columns + rows) * 7 >> 6; /* a ninth; a division is a call on small cores */
    target->patience_px = (uint8_t)(patience < 255 ? patience : 255);
}

static inline void jl_shape_ends(struct jl_target *target) {
    target->patience_px = 0;
}

/* The part of the picture that the clip lets through, as a rectangle of the picture. */
static inline struct jl_rect jl_paint_visible(const struct jl_target *target) {
    return target->painter ? target->painter->to_picture(target, target->clip) : target->clip;
}

/* Its area is cut to the clip. */
void jl_paint_stencil(struct jl_target *target, struct jl_stencil *stencil);

struct jl_damage;

/* Takes a frame's damage away and returns it, NULL where there is none or it is better left alone;
 * or gives it back. Between the two, parts are drawn without telling. */
struct jl_damage *jl_paint_swap_damage(struct jl_target *target, struct jl_damage *damage);

/* Pixels that differ one by one. */
void jl_paint_shade(struct jl_target *target, struct jl_rect area, jl_shade_fn shade,
                    const void *context);

/*
 * A run of pixels, at most JL_CHUNK, of which each gets a share of the ink: 0 none, 255 all. The
 * rest is the paper, or what is there where that is JL_CLEAR; without ink pixels are left alone.
 * For targets that do not mix by themselves: shapes of others give colours.
 */
void jl_paint_cover(struct jl_target *target, int16_t x, int16_t y, int16_t count,
                    const uint8_t *shares, jl_color ink, jl_color paper);

/*
 * Makes partly transparent pixels solid by mixing them with the target's own pixels, or
 * solid or clear, whichever is nearer, where it cannot be read. Nothing where put() mixes.
 */
void jl_shade_settle(struct jl_target *target, int16_t x, int16_t y, int16_t count, jl_color *row);

/* The put operation, or fills where a target leaves it out. */
void jl_ops_put(struct jl_target *target, int16_t x, int16_t y, int16_t count, const jl_color *row);

#endif
