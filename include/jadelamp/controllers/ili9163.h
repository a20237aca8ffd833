/*
 * ili9163: 132x162 TFT controller; SPI and 8080.
 */
#ifndef JADELAMP_CONTROLLERS_ILI9163_H
#define JADELAMP_CONTROLLERS_ILI9163_H

#include "jadelamp/controllers/dcs.h"

#ifdef __cplusplus
extern "C" {
#endif

/**
 * Its RAM is 132x162; pins GM may strap it to less: jl_ili9163_128x160. Glass of 128x160 or
 * 128x128, usually JL_MODULE_MIRROR_X | JL_MODULE_MIRROR_Y | JL_MODULE_BGR. 5-6-5 and 6-6-6 on
 * every bus.
 */
extern const struct jl_controller jl_ili9163;
extern const struct jl_controller jl_ili9163_128x160;

/** From scan to scan, microseconds, as the wake-up sequence sets it (B1h), of either RAM. */
enum { JL_ILI9163_SCAN_US = 16380, JL_ILI9163_128X160_SCAN_US = 16200 };

#ifdef __cplusplus
}
#endif

#endif
