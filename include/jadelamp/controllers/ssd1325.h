/*
 * ssd1325: 128x80 grey OLED controller; I2C (0x3C, 0x3D), SPI to 4 MHz and 8080.
 */
#ifndef JADELAMP_CONTROLLERS_SSD1325_H
#define JADELAMP_CONTROLLERS_SSD1325_H

#include "jadelamp/controllers/ssd_oled.h"

#ifdef __cplusplus
extern "C" {
#endif

/**
 * Frames are jl_grey4; windows begin and end at even columns. The 64 rows of the usual module hang
 * on its outputs 12 to 75, glass of 80 rows on all. The panel's voltage comes from the module.
 */
extern const struct jl_controller jl_ssd1325;

#ifdef __cplusplus
}
#endif

#endif
