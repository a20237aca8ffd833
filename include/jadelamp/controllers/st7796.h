/*
 * st7796: 320x480 TFT controller; SPI and 8080.
 */
#ifndef JADELAMP_CONTROLLERS_ST7796_H
#define JADELAMP_CONTROLLERS_ST7796_H

#include "jadelamp/controllers/dcs.h"

#ifdef __cplusplus
extern "C" {
#endif

/**
 * Glass of 320x480, usually JL_MODULE_MIRROR_X | JL_MODULE_BGR; with JL_MODULE_IPS where it is such
 * glass. 5-6-5 and 6-6-6 on every bus. jl_panel_contrast() is the brightness output.
 */
extern const struct jl_controller jl_st7796;

/** From scan to scan, microseconds: 60 Hz, as after reset. */
enum { JL_ST7796_SCAN_US = 16667 };

#ifdef __cplusplus
}
#endif

#endif
