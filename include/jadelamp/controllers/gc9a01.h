/*
 * gc9a01: 240x240 TFT controller, usually behind round glass; SPI and 8080.
 */
#ifndef JADELAMP_CONTROLLERS_GC9A01_H
#define JADELAMP_CONTROLLERS_GC9A01_H

#include "jadelamp/controllers/dcs.h"

#ifdef __cplusplus
extern "C" {
#endif

/**
 * Glass of 240x240, usually round, JL_MODULE_IPS | JL_MODULE_BGR. Most of its wake-up sequence
 * is a vendor block whose meaning is unpublished. jl_panel_contrast() is the brightness output.
 */
extern const struct jl_controller jl_gc9a01;

/** From scan to scan as its wake-up sequence sets it (60 Hz), microseconds. */
enum { JL_GC9A01_SCAN_US = 16667 };

#ifdef __cplusplus
}
#endif

#endif
