/*
 * ssd1305: 132x64 monochrome OLED controller; I2C (0x3C, 0x3D), SPI, 8080, 6800.
 */
#ifndef JADELAMP_CONTROLLERS_SSD1305_H
#define JADELAMP_CONTROLLERS_SSD1305_H

#include "jadelamp/panel.h"

#ifdef __cplusplus
extern "C" {
#endif

/**
 * Glass of 128x64 and 128x32 usually begins at column_offset 4. The panel voltage comes from
 * outside. Frames are jl_mono_columns. Scroller: jl_start_line_motion.
 */
extern const struct jl_controller jl_ssd1305;

#ifdef __cplusplus
}
#endif

#endif
