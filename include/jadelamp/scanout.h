/*
 * Scan-out: glass without a memory. A display peripheral of the microcontroller clocks the picture
 * out of RAM, line by line, some 60 times a second; what it and the glass must agree on are the
 * timings below. In clocks, a line is
 *
 *   sync pulse | back porch | pixels | front porch
 *
 * and a picture is the same in lines. Datasheets that give "back porch with sync" give the sum.
 */
#ifndef JADELAMP_SCANOUT_H
#define JADELAMP_SCANOUT_H

#include "jadelamp/frame.h"
#include "jadelamp/port.h"

#ifdef __cplusplus
extern "C" {
#endif

/** What stands around the pixels: of a line in pixel clocks, of a picture in lines. */
struct jl_porches {
    uint16_t sync, back, front;
};

/** How glass takes what it gets; add up. 0: syncs active low, DE active high, latched as the
 * clock rises. */
enum jl_scanout_flag {
    JL_SCANOUT_HSYNC_HIGH = 1, /**< the horizontal pulse is high */
    JL_SCANOUT_VSYNC_HIGH = 2,
    JL_SCANOUT_DE_LOW = 4,
    JL_SCANOUT_FALLING = 8, /**< data is latched as the clock falls */
    JL_SCANOUT_SYNC = 16,   /**< the glass counts from the syncs; else it goes by DE alone */
};

/** Description of the glass, from its datasheet: constant. */
struct jl_scanout_config {
    int16_t width, height; /**< pixels */
    uint32_t clock_hz;     /**< pixel clock, typical */
    uint32_t least_hz, most_hz;
    struct jl_porches line, picture;
    uint8_t flags;      /**< sum of enum jl_scanout_flag */
    uint8_t data_lines; /**< 16, 18 or 24 */
};

/** What follows from a description. */
struct jl_scanout_sums {
    uint16_t line_clocks, picture_lines; /**< with sync and porches */
    uint32_t refresh_mhz;                /**< pictures a second, in 1/1000 Hz */
    uint32_t line_ns;
    uint32_t mean_bytes_s; /**< that memory must give */
    uint32_t peak_bytes_s; /**< the same while pixels are clocked out */
    uint32_t frame_bytes;
};

/**
 * Computes them.
 *
 * @param bits_per_pixel of the frame in memory: 8, 16, 24 or 32
 * @return JL_OK; JL_BAD_ARGUMENT (NULL, or other bits); JL_BAD_SIZE (below 1); JL_OUT_OF_RANGE (no
 *         sync pulse, sums above 65535, a clock of 0 or outside least_hz..most_hz, other data
 *         lines, or frames that are slower than 1 Hz)
 */
jl_status jl_scanout_sums(const struct jl_scanout_config *config, uint8_t bits_per_pixel,
                          struct jl_scanout_sums *sums);

struct jl_scanout_lines;

/**
 * What a display peripheral can do: a member of the port's operations, supplied by the user as
 * those are. None is called from an interrupt by the library, but clean() by jl_scanout_refill().
 * NULL: optional, unless it says so.
 */
struct jl_scanout_ops {
    /** Needed for frames. Scans from this memory, from the next vertical sync on. Returns at once.
     */
    void (*show)(void *context, const void *pixels);
    /** Needed for frames. Whether it does by now: that sync has come. */
    bool (*is_shown)(void *context);
    /** Writes a data cache back over this memory, so that the peripheral sees it. */
    void (*clean)(void *context, const void *from, size_t bytes);
    /** Needed for 8-bit frames. The 256 colours of jl_palette8, from the next vertical sync on;
     * they stay the caller's. */
    void (*palette)(void *context, const jl_color *colors);
    /**
     * Needed for line buffers. Scans lines->buffers[0], then [1], then [0] again and so on, each
     * lines->buffer_bytes; whenever one is through, its interrupt calls jl_scanout_refill(). From
     * the next vertical sync on, where the first one is shown first. Returns at once.
     */
    void (*lines)(void *context, struct jl_scanout_lines *lines);
};

/* ---- whole frames ---- */

/** Glass that is scanned out. The caller's memory; draw on `frame`, the rest is for the library. */
struct jl_scanout {
    struct jl_frame frame; /**< what is drawn on: never what is on the glass, with two buffers */
    struct jl_damage damage;
    const struct jl_port *port;
    uint8_t *shown; /* the buffer on the glass; NULL: there is one buffer only */
    bool pending;   /* shown is where the peripheral goes at the next sync */
};

/**
 * Sets up one or two buffers in the format's clear colour, and begins to scan. With two nobody sees
 * a picture that is half drawn; with one, drawing is seen as it happens.
 *
 * @param port   with ops->scanout; must outlive it
 * @param format of whole bytes a pixel that the peripheral reads: jl_rgb565_cpu, jl_rgb888,
 *               jl_xrgb8888, jl_rgb332 ...; for jl_palette8 there is jl_scanout_open_palette()
 * @param first, second the caller's, pixel_bytes each, until the end; second may be NULL
 * @return JL_OK; JL_BAD_ARGUMENT (NULL, or both the same); JL_BAD_PORT; JL_BAD_FRAME_FORMAT (parts
 *         of bytes, or a palette); or as jl_scanout_sums() and jl_frame_init()
 */
JL_MUST_CHECK
jl_status jl_scanout_open(struct jl_scanout *scan, const struct jl_scanout_config *config,
                          const struct jl_port *port, const struct jl_format *format, void *first,
                          void *second, size_t pixel_bytes);

/**
 * The same with frames of jl_palette8: a byte a pixel, and half the memory and bandwidth of 5-6-5.
 *
 * @param palette 256 colours, the caller's, until the end
 */
JL_MUST_CHECK
jl_status jl_scanout_open_palette(struct jl_scanout *scan, const struct jl_scanout_config *config,
                                  const struct jl_port *port, const jl_color *palette, void *first,
                                  void *second, size_t pixel_bytes);

/**
 * The palette's colours have changed: the picture on the glass changes with them, without a pixel
 * being drawn. @return JL_OK; JL_BAD_ARGUMENT (NULL, not open, or no palette)
 */
jl_status jl_scanout_recolor(struct jl_scanout *scan);

/**
 * Hands over what was drawn: it is on the glass from the next vertical sync on. With two buffers
 * draw on only after jl_scanout_poll() has said JL_OK; what changed is then in both of them, so
 * draw only what changes further.
 *
 * @return JL_OK; JL_BUSY (the one before is not on the glass yet: nothing was done);
 *         JL_BAD_ARGUMENT (NULL, or not open)
 */
jl_status jl_scanout_present(struct jl_scanout *scan);

/** Whether the frame may be drawn on. @return JL_OK; JL_BUSY; JL_BAD_ARGUMENT */
jl_status jl_scanout_poll(struct jl_scanout *scan);

/* ---- line buffers: no frame in fast memory ---- */

/**
 * Gives the rows that a target has: its bounds say which. All of their pixels, since the memory
 * holds older rows.
 */
typedef void (*jl_scanout_rows_fn)(void *context, struct jl_target *target);

/**
 * Two small buffers (bounce buffers), in turn on the wires and being filled with the next rows:
 * drawn anew for each picture, or copied from a frame in memory that is too slow for the wires, or
 * of another format. The caller's memory; the members are for the port and the library.
 */
struct jl_scanout_lines {
    struct jl_frame frame; /* over the buffer that is filled */
    const struct jl_port *port;
    jl_scanout_rows_fn rows_fn;
    void *context;
    uint8_t *buffers[2];
    size_t buffer_bytes; /* of `rows` */
    int16_t rows;
    int16_t next_row;    /* of the picture, to be filled next */
    uint8_t next_buffer; /* where */
};

/**
 * Fills both buffers with the first rows, and begins to scan.
 *
 * @param rows of a buffer: the picture's height is a multiple of it
 * @param rows_fn gives them; is called by jl_scanout_refill(), so from an interrupt. Such as
 *                jl_scanout_from_frame(), with the frame as context
 * @param first, second the caller's, pixel_bytes each, until the end
 * @return JL_OK; JL_BAD_ARGUMENT (NULL, or both the same); JL_BAD_PORT; JL_BAD_FRAME_FORMAT;
 *         JL_BAD_SIZE (rows do not divide the height); or as jl_scanout_sums() and jl_frame_init()
 */
JL_MUST_CHECK
jl_status jl_scanout_lines_open(struct jl_scanout_lines *lines,
                                const struct jl_scanout_config *config, const struct jl_port *port,
                                const struct jl_format *format, int16_t rows,
                                jl_scanout_rows_fn rows_fn, void *context, void *first,
                                void *second, size_t pixel_bytes);

/**
 * A buffer is through: fills it with the next rows. For the peripheral's interrupt; it must be done
 * before the other buffer is through, too: rows * line_ns of jl_scanout_sums(). Does not block.
 */
void jl_scanout_refill(struct jl_scanout_lines *lines);

/**
 * Copies rows from a frame of the glass's size and upright: context. In the same format by memory;
 * else (an 8-bit palette to 5-6-5) pixel by pixel.
 */
void jl_scanout_from_frame(void *context, struct jl_target *target);

#ifdef __cplusplus
}
#endif

#endif
