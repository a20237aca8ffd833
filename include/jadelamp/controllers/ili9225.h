/*
 * ili9225: 176x220 TFT controller with registers of 16 bits; SPI and 8080 with 8 lines.
 */
#ifndef JADELAMP_CONTROLLERS_ILI9225_H
#define JADELAMP_CONTROLLERS_ILI9225_H

#include "jadelamp/panel.h"

#ifdef __cplusplus
extern "C" {
#endif

/**
 * Glass of 176x220. Frames are jl_rgb565. Commands of one's own name a register by two bytes and
 * give it two: JL_STEP_SEND(0x00, 0x07, 0x10, 0x17).
 */
extern const struct jl_controller jl_ili9225;

#ifdef __cplusplus
}
#endif

#endif
