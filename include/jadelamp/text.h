/*
 * Text.
 */
#ifndef JADELAMP_TEXT_H
#define JADELAMP_TEXT_H

#include <stddef.h>

#include "jadelamp/font.h"
#include "jadelamp/target.h"

#ifdef __cplusplus
extern "C" {
#endif

/**
 * How text looks. Left at zero, paper is black, so that new text replaces what
 * was there; JL_CLEAR makes it transparent. Inverted text swaps the two.
 */
struct jl_text_style {
    const struct jl_font *font; /**< not NULL */
    jl_color ink;
    jl_color paper; /**< fills each character's cell: its advance wide, the font's height high */
    /** Asked in turn for what the font lacks, such as icons; ends with NULL. Or NULL. */
    const struct jl_font *const *fallbacks;
};

/**
 * Draws one line of text; (x, y) is the top left of the first cell.
 *
 * A code point that all fonts lack, and every malformed UTF-8 sequence, is drawn as a
 * box. Reading stops at the terminating zero, always. A glyph from another font stands
 * on the same baseline. Drawing and counting stop at the right end of the coordinates.
 *
 * @param text UTF-8, zero-terminated; not kept after the call
 * @return how many characters were missing
 */
uint16_t jl_text(struct jl_target *target, int16_t x, int16_t y, const char *text,
                 const struct jl_text_style *style);

/** Draws a number as jl_format_fixed() writes it: 0 decimals for whole ones. Returns as jl_text().
 */
uint16_t jl_text_number(struct jl_target *target, int16_t x, int16_t y, int32_t value,
                        uint8_t decimals, const struct jl_text_style *style);

/** Width of a line of text, pixels; at most 32767. */
int16_t jl_text_width(const struct jl_text_style *style, const char *text);

/** Where the given point lies on the text. Add one of each group. */
enum jl_anchor {
    JL_ANCHOR_LEFT = 0,
    JL_ANCHOR_CENTRE = 1, /**< in the middle between left and right, half a pixel to the left */
    JL_ANCHOR_RIGHT = 2,  /**< the last column of the last cell is at x - 1 */
    JL_ANCHOR_TOP = 0,
    JL_ANCHOR_MIDDLE = 4,   /**< in the middle between top and bottom */
    JL_ANCHOR_BASELINE = 8, /**< y is the row on which letters stand: their last row is y - 1 */
    JL_ANCHOR_BOTTOM = 12,  /**< the last row of the cells is y - 1 */
};

/** Draws one line of text at an anchor. Returns as jl_text(). */
uint16_t jl_text_at(struct jl_target *target, int16_t x, int16_t y, uint8_t anchor,
                    const char *text, const struct jl_text_style *style);

/** Which way a line of text runs. */
enum jl_text_way { JL_TEXT_RIGHT, JL_TEXT_DOWN, JL_TEXT_LEFT, JL_TEXT_UP };

/**
 * Draws one line of text that runs any of four ways: (x, y) is the top left of the first
 * cell as seen by a reader, who turns the head with the text. Nothing is drawn when
 * (x, y) is further than 8192 pixels from the target. Returns as jl_text().
 */
uint16_t jl_text_turned(struct jl_target *target, int16_t x, int16_t y, enum jl_text_way way,
                        const char *text, const struct jl_text_style *style);

/** What jl_text_box() does with text; add up, with one jl_anchor of each group. */
enum jl_text_box_option {
    JL_TEXT_WRAP = 16,     /**< break at blanks; words wider than the box are cut by it */
    JL_TEXT_ELLIPSIS = 32, /**< end what does not fit with "..." (each line; the last, with wrap) */
};

/**
 * Text in a box: aligned, one line or several. '\n' always starts a new line. The clip
 * is the box. JL_ANCHOR_BASELINE counts as JL_ANCHOR_TOP.
 *
 * @param options sum of jl_anchor and jl_text_box_option
 * @return lines that the text needed, drawn or not
 */
uint16_t jl_text_box(struct jl_target *target, struct jl_rect box, uint8_t options,
                     const char *text, const struct jl_text_style *style);

#ifdef __cplusplus
}
#endif

#endif
