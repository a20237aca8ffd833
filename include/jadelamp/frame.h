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

/** How pixels lie in memory and on the wire: which controllers take a format. */
enum jl_layout {
    JL_LAYOUT_OTHER, /**< for frames only */
    JL_LAYOUT_MONO_COLUMNS,
    JL_LAYOUT_MONO_ROWS,
    JL_LAYOUT_GREY4,
    JL_LAYOUT_RGB332,
    JL_LAYOUT_RGB565,
    JL_LAYOUT_RGB565_CPU,
    JL_LAYOUT_RGB666, /**< also 8-8-8: controllers ignore the two low bits of each byte */
    JL_LAYOUT_RGB666_LOW,
    JL_LAYOUT_PALETTE, /**< for frames and images only */
    JL_LAYOUT_BLACK_WHITE_RED,
    JL_LAYOUT_GREY2_PLANES,
};

/**
 * A pixel format. Formats are constants; a program carries only the code of
 * those it names. The members are for the library.
 */
struct jl_format {
    uint8_t bits_per_pixel;   /**< in one plane */
    uint8_t planes;           /**< 2 for e-paper with red or greys, else 1; one behind the other */
    uint8_t line_rows_log2;   /**< 2^n picture rows share a line of memory: 3 for vertical bytes */
    uint8_t column_bits;      /**< of a column in a line: bits_per_pixel times those rows */
    uint8_t clear[2];         /**< bytes of fresh memory, by plane: black, or white paper */
    uint8_t channel_bits[3];  /**< red, green, blue; greys say theirs three times */
    uint8_t layout;           /**< enum jl_layout */
    uint16_t window_price_px; /**< what a frame takes for the price of a window until presented */
    struct jl_target_ops ops; /**< last: small cores reach the bytes above in one instruction */
};

/*
 * The formats. "Lit" is a luminance of 128 or more. Greys and
 * colours round each channel to the nearest; read back, a channel's bits are repeated
 * from the top until 8 are full.
 */

/** 1 bit, vertical bytes: 8 rows of a column in a byte, bit 0 on top; pages from the top. */
extern const struct jl_format jl_mono_columns;
/** The same with bit 7 on top. */
extern const struct jl_format jl_mono_columns_msb;
/** 1 bit, rows, the leftmost pixel in bit 7, rows padded to bytes. */
extern const struct jl_format jl_mono_rows;
/** The same where a fresh frame is white paper: for e-paper, which takes both. */
extern const struct jl_format jl_black_white;
/** 2-bit grey, the leftmost pixel in bits 7..6. */
extern const struct jl_format jl_grey2;
/** 4-bit grey, the left pixel in the high nibble. */
extern const struct jl_format jl_grey4;
/** 4-bit grey, the left pixel in the low nibble. */
extern const struct jl_format jl_grey4_low;
/**
 * Indices into colours of the caller's, 2 to 256 of them, the left pixel in the upper bits; set
 * up with jl_frame_init_palette(). Drawing takes the nearest colour. Presented by
 * jl_panel_present_as().
 */
extern const struct jl_format jl_palette1, jl_palette2, jl_palette4, jl_palette8;
/** 3-3-2, red in bits 7..5. */
extern const struct jl_format jl_rgb332;
/** 5-6-5 in wire order: the byte with red first. What most colour controllers take. */
extern const struct jl_format jl_rgb565;
/** 5-6-5 in the processor's own 16-bit order; the memory must be aligned to 2. */
extern const struct jl_format jl_rgb565_cpu;
/** 6-6-6 in three bytes, red first, each channel in bits 7..2. */
extern const struct jl_format jl_rgb666;
/** The same with each channel in bits 5..0 (ssd1331, ssd1351). */
extern const struct jl_format jl_rgb666_low;
/** 8-8-8, red first. */
extern const struct jl_format jl_rgb888;
/** 8-8-8 in bits 23..0 of the processor's own 32-bit words; for memory that is scanned out. */
extern const struct jl_format jl_xrgb8888;
/**
 * Black, white and red for e-paper: two planes of jl_mono_rows layout. First plane: 1
 * is white; second plane: 1 is red, whatever the first says. A colour is red when its
 * red channel is 128 or more and the others are below 128.
 */
extern const struct jl_format jl_black_white_red;
/**
 * 2-bit grey for e-paper: two planes of jl_mono_rows layout, the upper bit of the grey in the
 * first. Fresh frames are white.
 */
extern const struct jl_format jl_grey2_planes;

/** Bytes of memory for a frame; constant expressions. */
#define JL_MONO_COLUMNS_BYTES(width, height)    ((size_t)(width) * (((size_t)(height) + 7) / 8))
#define JL_ROWS_BYTES(width, height, bits)      ((((size_t)(width) * (bits) + 7) / 8) * (size_t)(height))
#define JL_MONO_ROWS_BYTES(width, height)       JL_ROWS_BYTES(width, height, 1)
#define JL_GREY2_BYTES(width, height)           JL_ROWS_BYTES(width, height, 2)
#define JL_GREY4_BYTES(width, height)           JL_ROWS_BYTES(width, height, 4)
#define JL_RGB332_BYTES(width, height)          JL_ROWS_BYTES(width, height, 8)
#define JL_RGB565_BYTES(width, height)          JL_ROWS_BYTES(width, height, 16)
#define JL_RGB888_BYTES(width, height)          JL_ROWS_BYTES(width, height, 24)
#define JL_XRGB8888_BYTES(width, height)        JL_ROWS_BYTES(width, height, 32)
#define JL_BLACK_WHITE_BYTES(width, height)     JL_ROWS_BYTES(width, height, 1)
#define JL_BLACK_WHITE_RED_BYTES(width, height) (2 * JL_ROWS_BYTES(width, height, 1))
#define JL_GREY2_PLANES_BYTES(width, height)    (2 * JL_ROWS_BYTES(width, height, 1))

/** A framebuffer. All members are read-only for the caller except through calls. */
struct jl_frame {
    struct jl_target target; /**< what the drawing calls take */
    const struct jl_format *format;
    uint8_t *pixels;          /**< the caller's memory */
    struct jl_damage *damage; /**< the caller's, or NULL: present sends everything */
    const jl_color *palette;  /**< the caller's, of jl_palette1 to jl_palette8 */
    uint32_t plane_bytes;     /**< from one plane to the next */
    uint16_t stride_bytes;    /**< from one line of memory to the next */
};

/**
 * Bytes of memory that jl_frame_init() needs; 0 when the format is NULL or a size is below 1. For
 * sizes known to the compiler there are the macros above.
 */
uint32_t jl_frame_bytes(const struct jl_format *format, int16_t width, int16_t height);

/**
 * Sets up a frame over the caller's memory and gives it the format's clear colour: black, or
 * white paper. Presenting sends the whole frame until jl_frame_track() is called.
 *
 * @param format      one of the jl_... formats above; not NULL
 * @param width       pixels, 1 or more
 * @param height      pixels, 1 or more
 * @param pixels      stays the caller's, must outlive the frame; not NULL
 * @param pixel_bytes size of that memory
 * @return JL_OK; JL_BAD_ARGUMENT (NULL, or a size below 1); JL_TOO_SMALL (the
 *         memory does not hold the picture); JL_OUT_OF_RANGE (a line of more
 *         than 65535 bytes). After an error no pixel was written, and the frame is empty: drawing
 *         on it is safe and does nothing.
 */
JL_MUST_CHECK
jl_status jl_frame_init(struct jl_frame *frame, const struct jl_format *format, int16_t width,
                        int16_t height, void *pixels, size_t pixel_bytes);

/**
 * The same in memory with lines further apart than they must be: a part of a larger buffer, or
 * lines aligned for a DMA controller. What lies between the lines is left alone.
 *
 * @param stride_bytes from line to line, and of two planes from the last line of one to the first
 *                     of the next
 * @return as jl_frame_init(); JL_OUT_OF_RANGE also when the stride is shorter than a line
 */
JL_MUST_CHECK
jl_status jl_frame_init_strided(struct jl_frame *frame, const struct jl_format *format,
                                int16_t width, int16_t height, void *pixels, size_t pixel_bytes,
                                uint16_t stride_bytes);

/**
 * The same for a frame of indices. The palette has 2, 4, 16 or 256 colours as the format
 * (jl_palette1 to jl_palette8, else JL_BAD_ARGUMENT) needs; it stays the caller's and must outlive
 * the frame; its first colour is what the frame shows at first. Changing it recolours the picture;
 * call jl_frame_damage_all() then.
 */
JL_MUST_CHECK
jl_status jl_frame_init_palette(struct jl_frame *frame, const struct jl_format *format,
                                const jl_color *palette, int16_t width, int16_t height,
                                void *pixels, size_t pixel_bytes);

/**
 * Makes a frame, whose jl_frame_init() was good, remember what changes, so that presenting sends
 * only that. The damage is the caller's and must live as long as it is set; NULL ends it. The whole
 * frame counts as changed at first. 112 bytes of RAM on a 32-bit target.
 */
void jl_frame_track(struct jl_frame *frame, struct jl_damage *damage);

/** Marks the whole frame as changed, so that the next present sends all of it. */
void jl_frame_damage_all(struct jl_frame *frame);

/**
 * Moves the content of an area of the frame's own pixels by (dx, dy); what becomes
 * free is filled. The clip, the turn and the mode of its target do not matter.
 */
void jl_frame_scroll(struct jl_frame *frame, struct jl_rect area, int16_t dx, int16_t dy,
                     jl_color color);

#ifdef __cplusplus
}
#endif

#endif
