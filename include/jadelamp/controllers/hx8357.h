/*
 * hx8357: 320x480 TFT controller (hx8357-D); SPI and 8080.
 */
#ifndef JADELAMP_CONTROLLERS_HX8357_H
#define JADELAMP_CONTROLLERS_HX8357_H

#include "jadelamp/controllers/dcs.h"

#ifdef __cplusplus
extern "C" {
#endif

/**
 * Glass of 320x480, usually JL_MODULE_MIRROR_X | JL_MODULE_MIRROR_Y. 5-6-5 and 6-6-6 on every bus.
 * jl_panel_contrast() is the brightness output.
 */
extern const struct jl_controller jl_hx8357;

/** From scan to scan, microseconds: 60 Hz. */
enum { JL_HX8357_SCAN_US = 16667 };

#ifdef __cplusplus
}
#endif

#endif
