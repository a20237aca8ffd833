/*
 * ssd1315: 128x64 monochrome OLED controller; I2C (0x3C, 0x3D), SPI, 8080, 6800.
 */
#ifndef JADELAMP_CONTROLLERS_SSD1315_H
#define JADELAMP_CONTROLLERS_SSD1315_H

#include "jadelamp/panel.h"

#ifdef __cplusplus
extern "C" {
#endif

/**
 * As ssd1306, which it replaces on newer modules, with its charge pump. Frames are
 * jl_mono_columns. Scrollers: jl_ssd1306_motion and jl_start_line_motion.
 */
extern const struct jl_controller jl_ssd1315;

#ifdef __cplusplus
}
#endif

#endif
