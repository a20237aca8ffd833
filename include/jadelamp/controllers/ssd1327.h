/*
 * ssd1327: 128x128 grey OLED controller; I2C (0x3C, 0x3D), SPI to 10 MHz and 8080.
 */
#ifndef JADELAMP_CONTROLLERS_SSD1327_H
#define JADELAMP_CONTROLLERS_SSD1327_H

#include "jadelamp/controllers/ssd_oled.h"

#ifdef __cplusplus
extern "C" {
#endif

/**
 * Glass of 128x128, or 96x96 at (16, 0). Frames are jl_grey4; columns are addressed in pairs, so
 * a width must be even. Mirrors, but no quarter turns: its bytes hold neighbours of a row.
 */
extern const struct jl_controller jl_ssd1327;

#ifdef __cplusplus
}
#endif

#endif
