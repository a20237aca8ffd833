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

/**
 * From scan to scan as its wake-up sequence sets it, microseconds, for jl_beam_timer_start(): B1h
 * 00h 18h is 24 clocks of 615 kHz a line, of 320 and 4 (datasheet, FRMCTR1).
 */
enum { JL_ILI9341_SCAN_US = 12644 };

#ifdef __cplusplus
}
#endif

#endif
