/*
 * ssd1309: 128x64 monochrome OLED controller for large glass; I2C (0x3C, 0x3D), SPI, 8080, 6800.
 */
#ifndef JADELAMP_CONTROLLERS_SSD1309_H
#define JADELAMP_CONTROLLERS_SSD1309_H

#include "jadelamp/panel.h"

#ifdef __cplusplus
extern "C" {
#endif

/**
 * As ssd1306, with the panel voltage from outside (JL_MODULE_EXTERNAL_SUPPLY makes no difference).
 * Frames are jl_mono_columns. Scroller: jl_start_line_motion.
 */
extern const struct jl_controller jl_ssd1309;

#ifdef __cplusplus
}
#endif

#endif
