/*
 * A target is anything that can be drawn on. Drawing calls clip, then hand the
 * target rectangles and runs of bits; a target implements the two operations
 * below. A frame (frame.h) is the usual target.
 */
#ifndef JADELAMP_TARGET_H
#define JADELAMP_TARGET_H

#include "jadelamp/color.h"
#include "jadelamp/geometry.h"

#ifdef __cplusplus
extern "C" {
#endif

struct jl_target;
struct jl_bitmap;

/**
 * What a kind of target can do. The tables are constant and shared.
 * Both operations get a rectangle that is not empty and lies inside the clip.
 */
struct jl_target_ops {
    /** Sets every pixel of the rectangle to a colour (never JL_CLEAR). */
    void (*fill)(struct jl_target *target, struct jl_rect area, jl_color color);
    /**
     * Draws a 1-bit picture: the pixel at the area's top left comes from
     * column map_x, row map_y of the map. Set bits become ink, others paper;
     * positions outside the map count as paper. Either may be JL_CLEAR.
     */
    void (*stencil)(struct jl_target *target, struct jl_rect area, const struct jl_bitmap *map,
                    int16_t map_x, int16_t map_y, jl_color ink, jl_color paper);
};

/** Common part of every target. Set up by the target's own init call. */
struct jl_target {
    const struct jl_target_ops *ops;
    int16_t width;       /**< pixels, 1..32767 */
    int16_t height;      /**< pixels, 1..32767 */
    struct jl_rect clip; /**< always inside the target; change with jl_target_clip() */
};

/**
 * Limits drawing to the part of `area` that lies on the target. An area off
 * the target means that nothing is drawn. Not concurrent with drawing on the
 * same target.
 */
void jl_target_clip(struct jl_target *target, struct jl_rect area);

/** Lets drawing reach the whole target again. */
void jl_target_unclip(struct jl_target *target);

#ifdef __cplusplus
}
#endif

#endif
