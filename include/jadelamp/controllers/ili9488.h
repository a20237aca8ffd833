/*
 * ili9488: 320x480 TFT controller; SPI and 8080.
 */
#ifndef JADELAMP_CONTROLLERS_ILI9488_H
#define JADELAMP_CONTROLLERS_ILI9488_H

#include "jadelamp/controllers/dcs.h"

#ifdef __cplusplus
extern "C" {
#endif

/**
 * Glass of 320x480, usually JL_MODULE_MIRROR_X | JL_MODULE_BGR. On SPI it takes 6-6-6 only
 * (jl_rgb666, jl_rgb888); 5-6-5 on 8080. jl_panel_contrast() is the brightness output.
 */
extern const struct jl_controller jl_ili9488;

/** From scan to scan as its wake-up sequence sets it (B1h A0h: 60 Hz), microseconds. */
enum { JL_ILI9488_SCAN_US = 16667 };

#ifdef __cplusplus
}
#endif

#endif
