/*
 * Fonts: constants that the program names, or files that are opened with a check.
 */
#ifndef JADELAMP_FONT_H
#define JADELAMP_FONT_H

#include <stdbool.h>
#include <stddef.h>
#include <stdint.h>

#include "jadelamp/flash.h"
#include "jadelamp/status.h"

#ifdef __cplusplus
extern "C" {
#endif

struct jl_font_kind;

/** The kinds of packed fonts, 1 bit and 4 bits a pixel, for constants that were baked. */
extern const struct jl_font_kind jl_font_packed_stencil, jl_font_packed_coverage;

/** A font. Keep the memory behind it as long as it is used. */
struct jl_font {
    const struct jl_font_kind *kind; /**< how glyphs are found; for the library */
    const uint8_t *table;            /**< the kind's own layout; marked JL_FLASH (flash.h) */
    uint8_t height;                  /**< of a line, pixels */
    uint8_t ascent;                  /**< rows above the baseline, pixels */
    uint8_t box_width;               /**< of the cell of a missing character, pixels */
};

/** 95 ASCII characters (0x20..0x7E), 5x7 in cells of 6x8 pixels. 475 bytes. */
extern const struct jl_font jl_font_6x8;
/** The same letters and the same pixels. On frames and bands of jl_mono_columns a text in place,
 * its top on a page, takes half the time; for 350 bytes of flash on a Cortex-M0+. */
extern const struct jl_font jl_font_6x8_quick;

/** Packed fonts, drawn for the library; docs/fonts.md shows them. */
extern const struct jl_font
    jl_font_3x5; /**< micro: ASCII, Latin-1, ohm, euro, arrows; lines of 9 */
extern const struct jl_font jl_font_5x7; /**< ASCII, Latin-1, ohm, euro, arrows; lines of 12 */
/** Greek and Cyrillic letters for lines in 5x7: a fallback font. */
extern const struct jl_font jl_font_5x7_greek_cyrillic;
extern const struct jl_font jl_font_8x13;     /**< the same characters, lines of 15 */
extern const struct jl_font jl_font_digits28; /**< digits and signs for gauges, 28 pixels high */
extern const struct jl_font jl_font_icons12;  /**< 24 marine and device symbols, U+E000..U+E017 */

/**
 * Soft letters for glass with shades, 4 bits a pixel, made from DejaVu Sans at 16, 24 and 32
 * pixels (fonts/dejavu-notice.txt): ASCII, Latin-1, dash, dots, euro, ohm, arrows. Lines of 19,
 * 29 and 38; 12, 23 and 39 KB. The largest is not there where addresses have 16 bits.
 */
extern const struct jl_font jl_font_sans16, jl_font_sans24, jl_font_sans32;
/** Their Greek and Cyrillic letters: fallback fonts. */
extern const struct jl_font jl_font_sans16_greek, jl_font_sans24_greek, jl_font_sans32_greek;
extern const struct jl_font jl_font_sans16_cyrillic, jl_font_sans24_cyrillic,
    jl_font_sans32_cyrillic;
/** Soft digits and + - . , : / % of 28 and 48 pixels, degree; lines of 45 and 78; 4 and 12 KB. */
extern const struct jl_font jl_font_figures28, jl_font_figures48;

/**
 * Opens a packed font (docs/fonts.md): proportional or fixed, 1-bit or 4-bit coverage.
 * Everything that drawing will rely on is checked here, once, in time proportional to
 * the glyphs.
 *
 * @param bytes the caller's, as long as the font is used; any alignment; on AVR in flash (flash.h)
 * @return JL_OK; JL_BAD_ARGUMENT (NULL, or not a packed font); JL_TOO_SMALL (cut);
 *         JL_OUT_OF_RANGE (an offset or a range points outside, or the ranges overlap)
 */
JL_MUST_CHECK
jl_status jl_font_open(struct jl_font *font, const void *bytes, size_t size);

/** Whether the font has a glyph for a code point. */
bool jl_font_has(const struct jl_font *font, uint32_t code);

#ifdef __cplusplus
}
#endif

#endif
