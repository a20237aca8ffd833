/*
 * Text and number formatting.
 */
#ifndef JADELAMP_TEXT_H
#define JADELAMP_TEXT_H

#include <stddef.h>

#include "jadelamp/target.h"

#ifdef __cplusplus
extern "C" {
#endif

/** A fixed-width font in constant memory. */
struct jl_font {
    const uint8_t *glyphs; /**< glyph_width bytes a glyph, vertical bytes, bit 0 on top */
    uint16_t first;        /**< code point of the first glyph */
    uint16_t count;        /**< glyphs, without gaps from `first` on */
    uint8_t glyph_width;   /**< stored columns, pixels */
    uint8_t advance;       /**< from one character to the next, pixels */
    uint8_t height;        /**< of a cell, pixels; at most 8 */
};

/** 95 ASCII characters (0x20..0x7E), 5x7 in cells of 6x8 pixels. 475 bytes. */
extern const struct jl_font jl_font_6x8;

/**
 * How text looks. Left at zero, paper is black, so that new text replaces what
 * was there; JL_CLEAR makes it transparent. Inverted text swaps the two.
 */
struct jl_text_style {
    const struct jl_font *font; /**< not NULL */
    jl_color ink;
    jl_color paper;
};

/**
 * Draws one line of text; (x, y) is the top left of the first cell.
 *
 * A code point that the font lacks, and every malformed UTF-8 sequence, is
 * drawn as a box. Reading stops at the terminating zero, always. Drawing and
 * counting stop at the right end of the coordinate range.
 *
 * @param text UTF-8, zero-terminated; not kept after the call
 * @return how many characters were missing in the font
 */
uint16_t jl_text(struct jl_target *target, int16_t x, int16_t y, const char *text,
                 const struct jl_text_style *style);

/** Width of a line of text, pixels; at most 32767. */
int16_t jl_text_width(const struct jl_font *font, const char *text);

/**
 * Writes a fixed-point number as text: value 184 with 2 decimals is "1.84".
 *
 * @param out      the caller's; zero-terminated on return when size is not 0
 * @param size     bytes at out; 14 always suffice (11 for the sign and the ten digits,
 *                 one for the point, one for a leading zero, one for the end)
 * @param decimals 0..9 digits after the point; more counts as 9
 * @return characters written without the end; 0 when it did not fit (out is
 *         then an empty string)
 */
size_t jl_format_fixed(char *out, size_t size, int32_t value, uint8_t decimals);

#ifdef __cplusplus
}
#endif

#endif
