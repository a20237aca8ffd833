/*
 * sh1107: 128x128 monochrome OLED controller; I2C (0x3C, 0x3D), SPI, 8080, 6800.
 */
#ifndef JADELAMP_CONTROLLERS_SH1107_H
#define JADELAMP_CONTROLLERS_SH1107_H

#include "jadelamp/panel.h"

#ifdef __cplusplus
extern "C" {
#endif

/**
 * It scans columns, not rows: glass of 64x128 pixels sits in the middle of its 128 outputs, at
 * column_offset 32, and only its 64 columns are driven. Each page is addressed by itself.
 * JL_MODULE_EXTERNAL_SUPPLY leaves the converter off. Frames are jl_mono_columns.
 */
extern const struct jl_controller jl_sh1107;

#ifdef __cplusplus
}
#endif

#endif
