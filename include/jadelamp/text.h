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
    /** Rows more (or fewer) from line to line than the font is high, in boxes and by cursors. */
    int8_t line_spacing;
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

/** Width of a line of text, pixels; at most 32767. A text at x ends before x + width. */
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

/**
 * Draws one line of text in a field and fills the rest of the field with paper, so that new text
 * replaces longer old text without a flicker: no pixel is set twice. Text that is wider is cut at
 * the field's end (at its left, when it is right-aligned).
 *
 * @param x, y, width the field: as high as the font
 * @param align JL_ANCHOR_LEFT, JL_ANCHOR_CENTRE or JL_ANCHOR_RIGHT
 * @param style with a solid paper; JL_CLEAR fills nothing
 * @return as jl_text()
 */
uint16_t jl_text_field(struct jl_target *target, int16_t x, int16_t y, int16_t width, uint8_t align,
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

/** What a text needs: pixels of the widest line and of all lines, and how many these are. */
struct jl_text_size {
    int16_t width, height;
    uint16_t lines;
};

/**
 * What jl_text_box() would need for a text.
 *
 * @param width of the box, for JL_TEXT_WRAP; a word that is wider counts whole
 * @param options as for jl_text_box()
 */
struct jl_text_size jl_text_box_size(int16_t width, uint8_t options, const char *text,
                                     const struct jl_text_style *style);

/**
 * Where printing goes on, as on a terminal: text runs from left to right through a box and goes on
 * in a new line at '\n' or where the box ends. Set up with jl_cursor_begin(); x and y may be
 * changed at any time, and say where a text ended.
 */
struct jl_cursor {
    struct jl_target *target;
    const struct jl_text_style *style; /**< may be changed between calls */
    struct jl_rect box;
    int16_t x, y; /**< the top left of the next character */
    bool cut; /**< text leaves the box at its right end instead of going on below; false at first */
};

/** A cursor at the top left of a box. All is the caller's, as long as the cursor is used. */
void jl_cursor_begin(struct jl_cursor *cursor, struct jl_target *target, struct jl_rect box,
                     const struct jl_text_style *style);

/** Prints UTF-8 text. Below the box nothing is drawn. Returns as jl_text(). */
uint16_t jl_print(struct jl_cursor *cursor, const char *text);

/** Prints a number as jl_format_fixed() writes it: 0 decimals for whole ones. */
uint16_t jl_print_number(struct jl_cursor *cursor, int32_t value, uint8_t decimals);

#ifdef __cplusplus
}
#endif

#endif
