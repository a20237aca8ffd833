/*
 * ssd1351: 128x128 colour OLED controller; SPI to 20 MHz and 8080.
 */
#ifndef JADELAMP_CONTROLLERS_SSD1351_H
#define JADELAMP_CONTROLLERS_SSD1351_H

#include "jadelamp/controllers/ssd_oled.h"

#ifdef __cplusplus
extern "C" {
#endif

/**
 * Glass of 128x128. Frames are jl_rgb565, jl_rgb666_low, or jl_rgb565_cpu on a 16-bit bus.
 * Quarter turns are supported.
 */
extern const struct jl_controller jl_ssd1351;

#ifdef __cplusplus
}
#endif

#endif
