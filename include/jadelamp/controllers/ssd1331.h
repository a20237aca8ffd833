/*
 * ssd1331: 96x64 colour OLED controller; SPI to 6.6 MHz and 8080.
 */
#ifndef JADELAMP_CONTROLLERS_SSD1331_H
#define JADELAMP_CONTROLLERS_SSD1331_H

#include "jadelamp/controllers/ssd_oled.h"

#ifdef __cplusplus
extern "C" {
#endif

/**
 * Glass of 96x64. Frames are jl_rgb565, jl_rgb332 (half the bytes), or jl_rgb565_cpu on a
 * 16-bit bus. Quarter turns are supported.
 */
extern const struct jl_controller jl_ssd1331;

#ifdef __cplusplus
}
#endif

#endif
