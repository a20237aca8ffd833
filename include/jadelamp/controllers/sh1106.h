/*
 * sh1106: 132x64 monochrome OLED controller; I2C (0x3C, 0x3D), SPI, 8080, 6800.
 */
#ifndef JADELAMP_CONTROLLERS_SH1106_H
#define JADELAMP_CONTROLLERS_SH1106_H

#include "jadelamp/panel.h"

#ifdef __cplusplus
extern "C" {
#endif

/**
 * The usual 128x64 glass begins at column_offset 2: without it the picture is shifted by two and
 * two columns at the edge show noise. Each page is addressed by itself. JL_MODULE_EXTERNAL_SUPPLY
 * leaves the converter off. Frames are jl_mono_columns. Scroller: jl_start_line_motion.
 */
extern const struct jl_controller jl_sh1106;

#ifdef __cplusplus
}
#endif

#endif
