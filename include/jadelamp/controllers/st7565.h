/*
 * st7565: 132x64 monochrome LCD controller; SPI (4 wires), 8080, 6800.
 */
#ifndef JADELAMP_CONTROLLERS_ST7565_H
#define JADELAMP_CONTROLLERS_ST7565_H

#include "jadelamp/panel.h"

#ifdef __cplusplus
extern "C" {
#endif

/**
 * The usual 128x64 glass: column_offset 0. The contrast is the electronic volume (6 bits of it
 * count); glass that needs another resistor ratio or bias needs wake-up steps of its own. A set
 * pixel is a dark one on green and grey glass. Frames are jl_mono_columns. Scroller:
 * jl_start_line_motion.
 */
extern const struct jl_controller jl_st7565;

#ifdef __cplusplus
}
#endif

#endif
