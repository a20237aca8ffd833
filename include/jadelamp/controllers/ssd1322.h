/*
 * ssd1322: 480x128 grey OLED controller; SPI to 10 MHz and 8080.
 */
#ifndef JADELAMP_CONTROLLERS_SSD1322_H
#define JADELAMP_CONTROLLERS_SSD1322_H

#include "jadelamp/controllers/ssd_oled.h"

#ifdef __cplusplus
extern "C" {
#endif

/**
 * Glass of 256x64 at (112, 0). Frames are jl_grey4; columns are addressed by four. Mirrors, but no
 * quarter turns: its bytes hold neighbours of a row.
 */
extern const struct jl_controller jl_ssd1322;

/** Its partial display (A8h, A9h), for jl_panel_config.motion. */
extern const struct jl_motion jl_ssd1322_motion;

#ifdef __cplusplus
}
#endif

#endif
