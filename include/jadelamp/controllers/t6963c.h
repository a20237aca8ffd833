/*
 * t6963c: graphic LCD modules with text, up to 240x128, external RAM of 8 KB or more; 8080.
 */
#ifndef JADELAMP_CONTROLLERS_T6963C_H
#define JADELAMP_CONTROLLERS_T6963C_H

#include "jadelamp/panel.h"

#ifdef __cplusplus
extern "C" {
#endif

/**
 * Bus jl_bus_t6963c, and no other. The module's FS has to be low: a byte is 8 pixels; where FS is
 * high the glass shows 6 of them, and the picture is torn. It cannot turn or invert, and contrast
 * is a trimmer on the module. Frames are jl_mono_rows; a width is a multiple of 8. The first 1000h
 * bytes of the RAM are for graphics, text follows.
 */
extern const struct jl_controller jl_t6963c;

/**
 * Writes ASCII (0x20..0x7E; else '?') from a place on, in cells of 8x8 pixels from the
 * controller's own ROM: a byte a character instead of 8. Graphics stay; a dot is dark where one
 * of both is.
 *
 * @param panel  a panel of jl_t6963c, awake
 * @param column from 0, up to an eighth of the width
 * @param row    from 0, up to an eighth of the height
 * @return JL_OK; JL_OUT_OF_RANGE (text past the row: nothing is sent); JL_UNSUPPORTED (another
 *         controller); JL_NOT_AWAKE; a status of the port
 */
jl_status jl_t6963c_text(struct jl_panel *panel, uint8_t column, uint8_t row, const char *text);

/** Blanks all text, and shows text from now on: the first call of a program that writes some. */
jl_status jl_t6963c_text_clear(struct jl_panel *panel);

/** Shows text over the graphics, or hides it. It is hidden behind a wake-up, and behind a sleep. */
jl_status jl_t6963c_text_show(struct jl_panel *panel, bool on);

/**
 * Defines one of 128 symbols of 8x8 pixels; rows from the top, bit 7 is the left pixel. Shown by
 * jl_t6963c_symbol(), which writes one as jl_t6963c_text() writes a character.
 * @param index 0..127, else JL_OUT_OF_RANGE
 */
jl_status jl_t6963c_define(struct jl_panel *panel, uint8_t index, const uint8_t rows[8]);
jl_status jl_t6963c_symbol(struct jl_panel *panel, uint8_t column, uint8_t row, uint8_t index);

#ifdef __cplusplus
}
#endif

#endif
