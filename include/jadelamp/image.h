/*
 * Pictures in any of the pixel formats, drawn on any target.
 */
#ifndef JADELAMP_IMAGE_H
#define JADELAMP_IMAGE_H

#include "jadelamp/flash.h"
#include "jadelamp/frame.h"

#ifdef __cplusplus
extern "C" {
#endif

struct jl_packing;

/** A picture in constant memory, laid out as a frame of the format. */
struct jl_image {
    const struct jl_format *format; /**< not NULL */
    const uint8_t *pixels;          /**< the caller's */
    int16_t width;                  /**< pixels */
    int16_t height;                 /**< pixels */
    bool has_key;                   /**< whether pixels of the key colour are left out */
    jl_color key;            /**< compared with the pixel's colour as the format gives it back */
    const jl_color *palette; /**< of jl_palette1 to jl_palette8, else NULL */
    /**
     * How much of each pixel is there, or NULL: all of it. Rows of 1 bit a pixel (1: there) or 4
     * (15: solid), the left one in the upper bits, padded to bytes.
     */
    const uint8_t *mask;
    uint8_t mask_bits;                /**< 1 or 4 */
    const struct jl_packing *packing; /**< &jl_packing_runs: the pixels are packed; or NULL */
};

/**
 * Packing of lines of memory in units of a byte, or of a pixel where it has more. A byte n below
 * 128 is followed by n + 1 units as they are; else by one unit that stands n - 126 times. Nothing
 * runs on from line to line. Named in an image, so that only programs with such carry it.
 */
extern const struct jl_packing jl_packing_runs;

/** `packing` of pixels that are as they are, and marked JL_FLASH (flash.h). */
#ifdef __AVR__
extern const struct jl_packing jl_pixels_in_flash;
#define jl_flash_pixels (&jl_pixels_in_flash)
#else
#define jl_flash_pixels ((const struct jl_packing *)0)
#endif

/**
 * Checks an image that did not come with the program, such as one from a card, so that drawing
 * it cannot read past its end.
 *
 * @param pixel_bytes of image->pixels
 * @return JL_OK; JL_BAD_ARGUMENT (NULL, a size below 1, a palette or a mask missing);
 *         JL_OUT_OF_RANGE (a line of more than 65535 bytes);
 *         JL_TOO_SMALL (the pixels end early, or runs do not end with their lines)
 */
JL_MUST_CHECK
jl_status jl_image_check(const struct jl_image *image, size_t pixel_bytes);

/**
 * The same for the mask of an image that has one.
 *
 * @param mask_bytes of image->mask
 * @return JL_OK; JL_BAD_ARGUMENT (NULL, no mask, a size below 1, or not 1 or 4 bits); JL_TOO_SMALL
 */
JL_MUST_CHECK
jl_status jl_image_check_mask(const struct jl_image *image, size_t mask_bytes);

/** The picture of a frame, for drawing it on another target. Shares the frame's memory. */
struct jl_image jl_image_of_frame(const struct jl_frame *frame);

/**
 * Draws a picture with its top left at (x, y), clipped. Where target and picture have
 * the same format of whole bytes, rows are copied as they are, or unpacked right into the
 * frame. Other packed pictures are unpacked by spans of 16 pixels, from the top on; on turned
 * targets, which ask for columns, each span begins at the top again.
 */
void jl_draw_image(struct jl_target *target, int16_t x, int16_t y, const struct jl_image *image);

struct jl_panel;

/**
 * Sends a picture in the panel's own format to the panel, without conversion and without a frame:
 * plain ones from where they are, packed ones through the caller's memory, some lines at a time.
 * The area must be one that jl_panel_send() takes.
 *
 * @param memory for packed pictures: at least a line (rows; of vertical bytes a page)
 * @return as jl_panel_send(), and JL_BAD_ARGUMENT for a size below 1 or no format;
 *         JL_UNSUPPORTED (another format, a key colour or a mask);
 *         JL_TOO_SMALL (the memory)
 */
jl_status jl_panel_send_image(struct jl_panel *panel, int16_t x, int16_t y,
                              const struct jl_image *image, void *memory, size_t memory_bytes);

#ifdef __cplusplus
}
#endif

#endif
