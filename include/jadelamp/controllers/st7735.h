/*
 * st7735 R and S: 132x162 TFT controller; SPI to 15.1 MHz and 8080.
 */
#ifndef JADELAMP_CONTROLLERS_ST7735_H
#define JADELAMP_CONTROLLERS_ST7735_H

#include "jadelamp/controllers/dcs.h"

#ifdef __cplusplus
extern "C" {
#endif

/**
 * The whole RAM of 132x162: 80x160 glass at (26, 1) and 128x160 glass at (2, 1). The usual glass
 * of 128x160 is JL_MODULE_MIRROR_X | JL_MODULE_MIRROR_Y | JL_MODULE_BGR; that of 80x160
 * JL_MODULE_IPS and BGR as well. No brightness: jl_panel_contrast() gives JL_UNSUPPORTED.
 */
extern const struct jl_controller jl_st7735;
/** The same strapped to 128x160 (pins GM): 128x160 glass at (0, 0), 80x160 glass at (24, 0). */
extern const struct jl_controller jl_st7735_128x160;
/** The same strapped to 132x132: 128x128 glass at (2, 1). */
extern const struct jl_controller jl_st7735_132x132;

/**
 * From scan to scan as their wake-up sequence sets it, microseconds, for jl_beam_timer_start(): B1h
 * 01h 2Ch 2Dh is 42 clocks of 850 kHz a line, of the RAM's and 44 and 45 (datasheet, FRMCTR1).
 */
enum {
    JL_ST7735_SCAN_US = 12402,
    JL_ST7735_128X160_SCAN_US = 12304,
    JL_ST7735_132X132_SCAN_US = 10920,
};

#ifdef __cplusplus
}
#endif

#endif
