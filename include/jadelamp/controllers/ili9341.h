/*
 * ili9341: 240x320 TFT controller; SPI and 8080.
 */
#ifndef JADELAMP_CONTROLLERS_ILI9341_H
#define JADELAMP_CONTROLLERS_ILI9341_H

#include "jadelamp/controllers/dcs.h"

#ifdef __cplusplus
extern "C" {
#endif

/**
 * Glass of 240x320, usually JL_MODULE_MIRROR_X | JL_MODULE_BGR. The datasheet ends at 10 MHz
 * SPI; many modules take more. jl_panel_contrast() is the brightness output.
 */
extern const struct jl_controller jl_ili9341;

#ifdef __cplusplus
}
#endif

#endif
