/*
 * A frame: a picture in the caller's memory, in the panel's own pixel format,
 * so that presenting it needs neither conversion nor copy.
 */
#ifndef JADELAMP_FRAME_H
#define JADELAMP_FRAME_H

#include <stddef.h>

#include "jadelamp/damage.h"
#include "jadelamp/status.h"
#include "jadelamp/target.h"

#ifdef __cplusplus
extern "C" {
#endif

/**
 * A pixel format. Formats are constants; a program carries only the code of
 * those it names. The members are for the library.
 */
struct jl_format {
    struct jl_target_ops ops;
    uint8_t bits_per_pixel;
    uint8_t line_rows_log2;   /**< 2^n picture rows share a line of memory: 3 for vertical bytes */
    uint16_t window_price_px; /**< what a frame takes for the price of a window until presented */
};

/**
 * 1 bit a pixel, vertical bytes: each byte is 8 rows of one column, bit 0 on
 * top; bytes run left to right, then down by 8 rows (a page). This is the RAM
 * layout of ssd1306 and its relatives. A pixel is on when the luminance of its
 * colour is 128 or more.
 */
extern const struct jl_format jl_mono_columns;

/** Bytes of memory for a jl_mono_columns frame; a constant expression. */
#define JL_MONO_COLUMNS_BYTES(width, height) ((size_t)(width) * (((size_t)(height) + 7) / 8))

/** A framebuffer. All members are read-only for the caller except through calls. */
struct jl_frame {
    struct jl_target target; /**< what the drawing calls take */
    const struct jl_format *format;
    uint8_t *pixels;       /**< the caller's memory */
    uint16_t stride_bytes; /**< from one line of memory to the next */
    struct jl_damage damage;
};

/**
 * Sets up a frame over the caller's memory, makes it black and wholly damaged.
 *
 * @param format      one of the jl_... formats above; not NULL
 * @param width       pixels, 1 or more
 * @param height      pixels, 1 or more
 * @param pixels      stays the caller's, must outlive the frame; not NULL
 * @param pixel_bytes size of that memory
 * @return JL_OK; JL_BAD_ARGUMENT (NULL, or a size below 1); JL_TOO_SMALL (the
 *         memory does not hold the picture); JL_OUT_OF_RANGE (a line of more
 *         than 65535 bytes). After an error nothing was written.
 */
JL_MUST_CHECK
jl_status jl_frame_init(struct jl_frame *frame, const struct jl_format *format, int16_t width,
                        int16_t height, void *pixels, size_t pixel_bytes);

/** Marks the whole frame as changed, so that the next present sends all of it. */
void jl_frame_damage_all(struct jl_frame *frame);

#ifdef __cplusplus
}
#endif

#endif
