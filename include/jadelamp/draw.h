/*
 * Drawing on a target. Strokes are outlines one pixel wide, fills are solid.
 *
 * Rules for every call here: any int16_t coordinate is safe, pixels outside
 * the clip are left alone, JL_CLEAR draws nothing, nothing is allocated, and
 * two contexts must not draw on one target at the same time.
 */
#ifndef JADELAMP_DRAW_H
#define JADELAMP_DRAW_H

#include "jadelamp/flash.h"
#include "jadelamp/target.h"

#ifdef __cplusplus
extern "C" {
#endif

/**
 * How a jl_bitmap keeps its pixels. Constants, so that a program carries only
 * the readers of the orders it names. The member is for the library.
 */
struct jl_bit_order {
    /** Rows y .. y+7 of column x, row y in bit 0; 0 for positions outside the map. */
    uint8_t (*column)(const struct jl_bitmap *map, int x, int y);
    bool plain_columns; /**< the bits are vertical bytes that can be read as they are */
};

/** Vertical bytes, bit 0 on top; 8 rows a page, pages from the top down. */
extern const struct jl_bit_order jl_bits_columns;
/** Rows, the leftmost pixel in bit 7, each row padded to a byte. */
extern const struct jl_bit_order jl_bits_rows_msb;
/** Rows, the leftmost pixel in bit 0, each row padded to a byte. */
extern const struct jl_bit_order jl_bits_rows_lsb;

/** The same orders for bits that are marked JL_FLASH (flash.h). */
#ifdef __AVR__
extern const struct jl_bit_order jl_flash_columns, jl_flash_rows_msb, jl_flash_rows_lsb;
#else
#define jl_flash_columns  jl_bits_columns
#define jl_flash_rows_msb jl_bits_rows_msb
#define jl_flash_rows_lsb jl_bits_rows_lsb
#endif

/** A 1-bit picture in constant memory, used as a stencil for ink and paper. */
struct jl_bitmap {
    const uint8_t *bits; /**< the caller's; for columns width * ceil(height / 8) bytes, for rows
                              ceil(width / 8) * height bytes */
    int16_t width;       /**< pixels */
    int16_t height;      /**< pixels */
    const struct jl_bit_order *order; /**< not NULL */
};

/** Fills the clip of the target with one colour. */
void jl_clear(struct jl_target *target, jl_color color);

/** Sets one pixel. */
void jl_draw_pixel(struct jl_target *target, int16_t x, int16_t y, jl_color color);

/**
 * A straight line, both ends included, one pixel wide.
 *
 * Along the longer axis there is exactly one pixel a step; the other
 * coordinate is rounded to the nearest, and a tie goes to the greater one. The
 * line from a to b and the line from b to a are the same pixels.
 */
void jl_draw_line(struct jl_target *target, int16_t x0, int16_t y0, int16_t x1, int16_t y1,
                  jl_color color);

/** A solid rectangle; nothing when w or h is zero or less. */
void jl_fill_rect(struct jl_target *target, struct jl_rect rect, jl_color color);

/** The outline of a rectangle: the outermost pixels of jl_fill_rect(). */
void jl_stroke_rect(struct jl_target *target, struct jl_rect rect, jl_color color);

/**
 * A 1-bit picture with its top left at (x, y): set bits in ink, the others in
 * paper. JL_CLEAR as paper leaves what is there, JL_CLEAR as ink cuts out.
 */
void jl_draw_bitmap(struct jl_target *target, int16_t x, int16_t y, const struct jl_bitmap *map,
                    jl_color ink, jl_color paper);

/**
 * The test card for first light: a border on the outermost pixels, four corner
 * marks that differ (top left a solid square, top right a hollow one, bottom
 * left a plus, bottom right a diagonal cross), an arrow that points up, a
 * checker and a stripe patch, the title and the size in pixels. It proves size, offset,
 * orientation and inversion at a glance.
 *
 * @param title short text, cut at the marks; NULL for none
 */
void jl_draw_test_card(struct jl_target *target, const char *title);

/**
 * The same for colour panels: instead of checker and stripes patches of red, green and
 * blue with their letters, which prove the colour order and the inversion, and a ramp of 16
 * greys, white on top.
 */
void jl_draw_color_test_card(struct jl_target *target, const char *title);

/**
 * The same for e-paper, black on white: instead of checker and stripes pairs of lines of 1 to 4
 * pixels, in which ghosts are seen, and blocks of black, red, dark and light grey, as far as the
 * format has them.
 */
void jl_draw_paper_test_card(struct jl_target *target, const char *title);

/** The same for grey panels, with patches of the levels 12, 8 and 4 of 15. */
void jl_draw_grey_test_card(struct jl_target *target, const char *title);

#ifdef __cplusplus
}
#endif

#endif
