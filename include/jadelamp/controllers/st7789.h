/*
 * st7789: 240x320 TFT controller; SPI and 8080.
 */
#ifndef JADELAMP_CONTROLLERS_ST7789_H
#define JADELAMP_CONTROLLERS_ST7789_H

#include "jadelamp/controllers/dcs.h"

#ifdef __cplusplus
extern "C" {
#endif

/**
 * Glass of 240x320 and 240x240 at (0, 0), 135x240 at (52, 40), 170x320 at (35, 0), 172x320 at
 * (34, 0), 240x280 at (0, 20); usually JL_MODULE_IPS. The SPI limit is that of the V revision,
 * 15.1 MHz (66 ns); later ones are faster. jl_panel_contrast() is the brightness output.
 */
extern const struct jl_controller jl_st7789;

/**
 * From scan to scan as its wake-up sequence sets it, microseconds, for jl_beam_timer_start(): C6h
 * 0Fh is (250 + 16 * 15) / 10 MHz a line, of 320 and two porches of 12 (datasheet, FRCTRL2 and
 * PORCTRL).
 */
enum { JL_ST7789_SCAN_US = 16856 };

#ifdef __cplusplus
}
#endif

#endif
