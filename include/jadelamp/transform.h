/*
 * Pictures in other sizes and directions, drawn as they are asked for: nothing is stored.
 *
 * What is clear, by key or mask, stays clear. Where several pixels make one, the mean counts of
 * what is there, and of how much is there. Packed pictures work, but each pixel is looked for from
 * the begin of its line, and from the top when going up: unpack them into a frame first.
 */
#ifndef JADELAMP_TRANSFORM_H
#define JADELAMP_TRANSFORM_H

#include "jadelamp/image.h"
#include "jadelamp/shapes.h"

#ifdef __cplusplus
extern "C" {
#endif

/** Which pixels of a picture make a pixel of the target. */
enum jl_sampling {
    JL_SAMPLE_NEAREST, /**< the one that its middle falls on */
    /** Scaled down: the mean of all that it takes the place of, or of 64 x 64 of them. Turned:
     * the mean of four places in it, which makes edges soft. */
    JL_SAMPLE_BOX,
};

/** Mirrors; a sum. */
enum jl_flip {
    JL_FLIP_NONE = 0,
    JL_FLIP_X = 1, /**< left and right change places */
    JL_FLIP_Y = 2, /**< top and bottom */
};

/**
 * Draws a part of a picture in another size.
 *
 * Pixel i of n takes source columns from floor(i * w / n) to before floor((i + 1) * w / n), at
 * least one, for the mean; floor((2 i + 1) * w / (2 n)) as the nearest; rows the same way.
 *
 * @param to where; nothing is drawn when w or h is 0 or less
 * @param from of the picture, cut to it; NULL for all of it
 * @param flips sum of enum jl_flip
 */
void jl_draw_scaled(struct jl_target *target, struct jl_rect to, const struct jl_image *image,
                    const struct jl_rect *from, enum jl_sampling sampling, uint8_t flips);

/**
 * Draws a picture turned about a point of it, such as a needle, or the card of a compass.
 *
 * @param at    where the point is on the target, in sixteenths of a pixel (jl_fine_middle())
 * @param pivot the point in the picture, in sixteenths from its top left
 * @param turn  how far clockwise, such as JL_DEGREES(30)
 */
void jl_draw_turned(struct jl_target *target, struct jl_point at, const struct jl_image *image,
                    struct jl_point pivot, jl_direction turn, enum jl_sampling sampling);

/** A sheet of pictures of one size, row by row from the top left. */
struct jl_sheet {
    const struct jl_image *image; /**< not NULL */
    int16_t width, height;        /**< of each, pixels; 1 or more */
};

/** Pictures of a sheet: those that are whole. */
uint16_t jl_sheet_count(const struct jl_sheet *sheet);

/** Draws a picture of a sheet with its top left at (x, y); one that is not there draws nothing. */
void jl_draw_tile(struct jl_target *target, int16_t x, int16_t y, const struct jl_sheet *sheet,
                  uint16_t index, uint8_t flips);

/**
 * Draws a map of tiles, the first one at (x, y), row by row.
 *
 * @param map columns * rows indices, the caller's; those not there draw nothing
 */
void jl_draw_tiles(struct jl_target *target, int16_t x, int16_t y, const struct jl_sheet *sheet,
                   const uint8_t *map, uint16_t columns, uint16_t rows);

#ifdef __cplusplus
}
#endif

#endif
