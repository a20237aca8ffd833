/*
 * ssd0303: 132x64 monochrome OLED controller; I2C (0x3C, 0x3D), SPI, 8080, 6800.
 */
#ifndef JADELAMP_CONTROLLERS_SSD0303_H
#define JADELAMP_CONTROLLERS_SSD0303_H

#include "jadelamp/panel.h"

#ifdef __cplusplus
extern "C" {
#endif

/**
 * The usual 96x16 glass begins at column_offset 36: it hangs on the first 96 segments, which the
 * remapped columns 36 to 131 reach. Each page is addressed by itself. JL_MODULE_EXTERNAL_SUPPLY
 * leaves the converter off. Frames are jl_mono_columns. Scroller: jl_start_line_motion.
 */
extern const struct jl_controller jl_ssd0303;

#ifdef __cplusplus
}
#endif

#endif
