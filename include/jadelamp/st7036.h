/*
 * st7036: character modules on I2C (jl_char_wire_st7036) whose contrast is a number, and whose
 * glass may have icons. jl_char_wake() sets them up; all of char_panel.h works. Modules of three
 * rows have up to 16 columns.
 *
 * No call is for interrupts; all block until their bytes are out.
 */
#ifndef JADELAMP_ST7036_H
#define JADELAMP_ST7036_H

#include "jadelamp/char_panel.h"

#ifdef __cplusplus
extern "C" {
#endif

/**
 * Sets the contrast, 0..63; too little shows nothing, too much shows blocks.
 * @return as jl_char_show(); JL_OUT_OF_RANGE
 */
jl_status jl_st7036_contrast(struct jl_char_panel *panel, uint8_t contrast);

/**
 * Switches the icons of an address.
 * @param address 0..15
 * @param bits    five icons, bit 4 the first; which ones they are is the glass's matter
 * @return as jl_char_show(); JL_OUT_OF_RANGE
 */
jl_status jl_st7036_icons(struct jl_char_panel *panel, uint8_t address, uint8_t bits);

#ifdef __cplusplus
}
#endif

#endif
