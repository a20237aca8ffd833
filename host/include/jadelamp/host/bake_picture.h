/*
 * Pictures baked into C: sized, turned, dithered and packed for a panel.
 */
#ifndef JADELAMP_HOST_BAKE_PICTURE_H
#define JADELAMP_HOST_BAKE_PICTURE_H

#include "jadelamp/host/pixmap.h"
#include "jadelamp/image.h"
#include "jadelamp/sim/picture.h"

#ifdef __cplusplus
extern "C" {
#endif

/** How a picture comes to a size. */
enum jl_bake_fit {
    JL_BAKE_FIT,     /**< all of it, background or nothing beside it */
    JL_BAKE_FILL,    /**< as much as fills the size, from the middle */
    JL_BAKE_STRETCH, /**< all of it, distorted */
};

enum jl_bake_dither {
    JL_BAKE_NEAREST,
    JL_BAKE_ORDERED,   /**< an 8 x 8 pattern: stands still in animations */
    JL_BAKE_DIFFUSION, /**< the error goes on to the neighbours: Floyd and Steinberg's weights */
};

/** What becomes of transparency. */
enum jl_bake_clear {
    JL_BAKE_BACKGROUND, /**< the background shows through */
    JL_BAKE_KEY,        /**< a colour of its own */
    JL_BAKE_MASK_1,     /**< a mask of 1 bit a pixel */
    JL_BAKE_MASK_4,     /**< of 4 bits: soft edges */
};

/** What to make of a picture. Zero: as it is, on black, nearest colours, packed when smaller. */
struct jl_picture_recipe {
    const struct jl_format *format;
    int crop_x, crop_y, crop_width, crop_height; /**< a width of 0: all of it */
    int quarter_turns;                           /**< clockwise, after the cut */
    int width, height;                           /**< pixels; 0: as it is then */
    enum jl_bake_fit fit;
    enum jl_bake_dither dither;
    enum jl_bake_clear clear;
    jl_color background, key;
    bool plain;              /**< not packed, however large */
    const jl_color *palette; /**< for formats of indices: as many as they have; NULL: the best */
};

/** A baked picture. Free it; the image points into it. */
struct jl_baked_picture {
    struct jl_image image;
    uint8_t *pixels, *mask;
    size_t pixel_bytes, plain_bytes, mask_bytes;
    jl_color palette[256];
    int palette_count;
};

/** A format by the name it has in cards and on the command line; NULL: no such. */
const struct jl_format *jl_bake_format(const char *name);

/** Its name in that sense, and as a C constant. NULL: none. */
const char *jl_bake_format_name(const struct jl_format *format);
const char *jl_bake_format_constant(const struct jl_format *format);

/** How its pixels lie in bytes, in words. NULL: none. */
const char *jl_bake_format_order(const struct jl_format *format);

/** All names, for messages: "a, b or c". */
const char *jl_bake_format_list(void);

/** Bakes a pixmap, which it changes. False: the complaint says why; nothing to free. */
bool jl_bake_pixmap(struct jl_pixmap *pixmap, const struct jl_picture_recipe *recipe,
                    struct jl_baked_picture *baked, struct jl_complaint *complaint);

void jl_baked_picture_free(struct jl_baked_picture *baked);

/**
 * What the panel will show, drawn by the library from the baked bytes over a background.
 * The caller frees the picture. False: no memory.
 */
bool jl_baked_preview(const struct jl_baked_picture *baked, jl_color background,
                      struct jl_picture *preview);

/**
 * Writes DIRECTORY/NAME.c and NAME.h: `const struct jl_image NAME`. Both or neither.
 *
 * @param made what made it, for the files' first comment
 */
bool jl_baked_picture_write(const struct jl_baked_picture *baked, const char *directory,
                            const char *name, const char *made, struct jl_complaint *complaint);

#ifdef __cplusplus
}
#endif

#endif
