/*
 * The text mode of the st7920: 16 x 4 characters of 8x16 pixels from its own ROM, shown together
 * with the graphics. Text costs a byte a character instead of 16.
 */
#ifndef JADELAMP_CONTROLLERS_ST7920_TEXT_H
#define JADELAMP_CONTROLLERS_ST7920_TEXT_H

#include "jadelamp/controllers/st7920.h"

#ifdef __cplusplus
extern "C" {
#endif

/**
 * Writes ASCII (0x20..0x7E; else '?') from a place on. The controller addresses pairs of
 * characters: columns are even, and an odd text is filled up with a blank. Graphics stay; where
 * both are lit the glass shows neither, so clear one below the other.
 *
 * @param panel  a panel of jl_st7920, awake
 * @param column 0, 2 .. 14
 * @param row    0..3
 * @return JL_OK; JL_OUT_OF_RANGE (an odd column, or text past the row: nothing is sent);
 *         JL_UNSUPPORTED (another controller); JL_NOT_AWAKE; a status of the port
 */
jl_status jl_st7920_text(struct jl_panel *panel, uint8_t column, uint8_t row, const char *text);

/** Blanks all text. Takes 2 ms. */
jl_status jl_st7920_text_clear(struct jl_panel *panel);

/**
 * Defines one of four symbols of 16x16 pixels; rows from the top, bit 15 is the left pixel.
 * @param index 0..3, else JL_OUT_OF_RANGE
 */
jl_status jl_st7920_define(struct jl_panel *panel, uint8_t index, const uint16_t rows[16]);

/** Shows a symbol of jl_st7920_define(), two characters wide; else as jl_st7920_text(). */
jl_status jl_st7920_symbol(struct jl_panel *panel, uint8_t column, uint8_t row, uint8_t index);

#ifdef __cplusplus
}
#endif

#endif
