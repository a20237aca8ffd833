/*
 * gc9107: 128x160 TFT controller; SPI.
 */
#ifndef JADELAMP_CONTROLLERS_GC9107_H
#define JADELAMP_CONTROLLERS_GC9107_H

#include "jadelamp/controllers/dcs.h"

#ifdef __cplusplus
extern "C" {
#endif

/**
 * Glass of 128x160, or of 128x128 with the offsets of the module, usually JL_MODULE_BGR. 5-6-5 and
 * 6-6-6.
 */
extern const struct jl_controller jl_gc9107;

/** From scan to scan, microseconds: 60 Hz. */
enum { JL_GC9107_SCAN_US = 16667 };

#ifdef __cplusplus
}
#endif

#endif
