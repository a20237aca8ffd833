/*
 * Pictures in any of the pixel formats, drawn on any target.
 */
#ifndef JADELAMP_IMAGE_H
#define JADELAMP_IMAGE_H

#include "jadelamp/frame.h"

#ifdef __cplusplus
extern "C" {
#endif

/** A picture in constant memory, laid out as a frame of the format. */
struct jl_image {
    const struct jl_format *format; /**< not NULL */
    const uint8_t *pixels;          /**< the caller's */
    int16_t width;                  /**< pixels */
    int16_t height;                 /**< pixels */
    bool has_key;                   /**< whether pixels of the key colour are left out */
    jl_color key; /**< compared with the pixel's colour as the format gives it back */
};

/** The picture of a frame, for drawing it on another target. Shares the frame's memory. */
struct jl_image jl_image_of_frame(const struct jl_frame *frame);

/**
 * Draws a picture with its top left at (x, y), clipped. Where target and picture have
 * the same format of whole bytes, rows are copied as they are.
 */
void jl_draw_image(struct jl_target *target, int16_t x, int16_t y, const struct jl_image *image);

#ifdef __cplusplus
}
#endif

#endif
