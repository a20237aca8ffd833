/*
 * A target is anything that can be drawn on: a frame, a band of one, or the panel
 * itself. Drawing calls clip and turn, then hand the target rectangles, stencils
 * and rows of pixels; a target implements the operations below.
 *
 * Coordinates: what the caller gives are picture coordinates. A turned target
 * maps them to its own pixels, so user code never swaps x and y by hand.
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
struct jl_painter;

/** Pixels that are computed at a time: 64 bytes of stack a row of them. */
enum { JL_CHUNK = 16 };

/**
 * Gives the colours of pixels x .. x+count-1 of row y; count is at most JL_CHUNK. Partly
 * transparent ones are mixed with what is there.
 */
typedef void (*jl_shade_fn)(const void *context, int x, int y, int count, jl_color *row);

/** A 1-bit picture and where it goes. */
struct jl_stencil {
    struct jl_rect area;
    const struct jl_bitmap *map;
    int16_t map_x, map_y; /**< the place of the map that falls on the area's top left */
    jl_color ink, paper;  /**< of set bits, and of others and places outside the map; JL_CLEAR:
                               not drawn */
};

/** Ink through a soft mask: so many fifteenths of it at each pixel. */
struct jl_tint {
    struct jl_rect area;
    const uint8_t *shares; /**< 4 bits a pixel, the left one of two high; in plain memory */
    uint16_t stride_bytes; /**< from a row of shares to the next */
    bool odd;              /**< the first pixel of each row is the right one of two */
    jl_color ink;          /**< not JL_CLEAR */
};

/**
 * What a kind of target can do, in its own pixels. The tables are constant and
 * shared. Areas are not empty and lie inside the clip.
 */
struct jl_target_ops {
    /** A colour (never JL_CLEAR) as fill() takes it, found once for many fills. NULL: the colour.
     */
    uint32_t (*ink)(jl_color color, const struct jl_target *target);
    /** Sets every pixel of the area to what ink() gave. */
    void (*fill)(struct jl_target *target, struct jl_rect area, uint32_t ink);
    /** Draws a 1-bit picture. */
    void (*stencil)(struct jl_target *target, const struct jl_stencil *stencil);
    /** Sets a run of pixels; entries of JL_CLEAR are left alone. NULL: done by fills. Partly
     * transparent ones come only where `shades` has JL_SHADES_MIXED. */
    void (*put)(struct jl_target *target, int16_t x, int16_t y, int16_t count, const jl_color *row);
    /** Reads a run of pixels. NULL: the target cannot be read back. */
    void (*get)(const struct jl_target *target, int16_t x, int16_t y, int16_t count, jl_color *row);
    /** Draws pixels that are computed, in the order the target likes best. NULL: by put. */
    void (*shade)(struct jl_target *target, struct jl_rect area, jl_shade_fn shade,
                  const void *context);
    /** JL_MODE_INVERT on a run of pixels; entries of JL_CLEAR are left alone. NULL: by get and put,
     *  which is right where colours are stored as such. */
    void (*invert)(struct jl_target *target, int16_t x, int16_t y, int16_t count,
                   const jl_color *row);
    /**
     * Sets a pixel within the clip to what ink() gave, and leaves it to the caller to tell the
     * damage. Not 0: the memory differs now. Frames only; NULL: done by fills. The ink comes first
     * so that it may stay in the register in which ink() returned it.
     */
    unsigned (*dot)(uint32_t ink, struct jl_target *target, int16_t x, int16_t y);
    /**
     * What put() does four times: a run at the left end of the area's first row, mirrored at its
     * right end, and both in its last row. The area is two rows high or more, and as wide as two
     * runs or more. Leaves it to the caller to tell the damage. Frames only; NULL: done by put().
     */
    void (*corners)(struct jl_target *target, const struct jl_rect *area, int16_t count,
                    const jl_color *row);
    /** Mixes ink with what is there: what put() does, for a whole letter at once. NULL: done by
     * put(). Only desktops have it: small processors gain too little for its size. */
    void (*tint)(struct jl_target *target, const struct jl_tint *tint);
    uint8_t shades; /**< sum of enum jl_shades */
};

/** What a target makes of soft edges. */
enum jl_shades {
    JL_SHADES_SHOWN = 1, /**< there are enough colours between two others */
    JL_SHADES_MIXED = 2, /**< put() mixes partly transparent pixels with what is there */
};

/** How new pixels meet old ones. */
enum jl_mode {
    JL_MODE_REPLACE, /**< they take their place */
    JL_MODE_INVERT,  /**< exclusive or with the ink, in the bits of the format; paper is ignored.
                          Drawing the same again restores what was there; on black, white
                          and red only red does not come back. On palette frames the index of
                          the nearest colour is taken, and all bits where that is 0. */
    JL_MODE_BLEND,   /**< mixed with what was there by the target's alpha */
};

/** Turns, clockwise as a person sees them, and mirrors. */
enum jl_turn {
    JL_TURN_0 = 0,
    JL_TURN_90 = 1,
    JL_TURN_180 = 2,
    JL_TURN_270 = 3,
    JL_TURN_MIRROR = 4, /**< left and right swapped before the turn; add it */
};

/** Common part of every target. Set up by the target's own init call; change it by calls. */
struct jl_target {
    const struct jl_target_ops *ops;
    const struct jl_painter *painter; /**< NULL while the target is upright and replaces */
    uint8_t turn;                     /**< sum of enum jl_turn */
    uint8_t mode;                     /**< enum jl_mode */
    uint8_t alpha;                    /**< for JL_MODE_BLEND: 0 nothing, 255 all */
    /** While a shape is drawn: pixels more that may count as damaged where two of its parts are
     * next to each other. For the library. */
    uint8_t patience_px;
    int16_t width; /**< of the picture, as turned, pixels */
    int16_t height;
    struct jl_rect bounds;    /**< the pixels that exist; a band has some of the rows only */
    struct jl_rect clip;      /**< in the target's own pixels; always inside bounds */
    int16_t shift_x, shift_y; /**< where the picture's (0, 0) lies */
};

/** Sets up the common part, upright, with all pixels from (0, 0) on. For implementers of targets.
 */
void jl_target_init(struct jl_target *target, const struct jl_target_ops *ops, int16_t width,
                    int16_t height);

/**
 * Limits drawing to the part of `area` (picture coordinates) that lies inside the
 * present clip, and returns the clip as it was, for jl_target_unclip(). The stack
 * of clips thus lives in the callers:
 *
 *   struct jl_rect before = jl_target_clip(target, box);
 *   ...
 *   jl_target_unclip(target, before);
 *
 * An area off the target means that nothing is drawn.
 */
struct jl_rect jl_target_clip(struct jl_target *target, struct jl_rect area);

/** Brings back a clip that jl_target_clip() returned; cut to the target's bounds. */
void jl_target_unclip(struct jl_target *target, struct jl_rect before);

/**
 * Turns the picture on the target; width and height follow. The clip is lifted.
 * `turn` is one of JL_TURN_0 .. JL_TURN_270, plus JL_TURN_MIRROR or not.
 */
void jl_target_turn(struct jl_target *target, uint8_t turn);

/**
 * Chooses how pixels meet; alpha counts for JL_MODE_BLEND only. A target that
 * cannot be read back takes JL_MODE_REPLACE only: then false, and nothing changes.
 */
bool jl_target_mode(struct jl_target *target, enum jl_mode mode, uint8_t alpha);

#ifdef __cplusplus
}
#endif

#endif
