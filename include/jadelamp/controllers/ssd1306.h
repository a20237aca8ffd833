/*
 * ssd1306: 128x64 monochrome OLED controller; I2C (0x3C, 0x3D) and SPI.
 */
#ifndef JADELAMP_CONTROLLERS_SSD1306_H
#define JADELAMP_CONTROLLERS_SSD1306_H

#include "jadelamp/panel.h"

#ifdef __cplusplus
extern "C" {
#endif

/**
 * Glass up to 128x64: 128x64, 128x32, 64x48 (column_offset 32), 72x40 (column_offset 28) and
 * others. Frames are jl_mono_columns. It cannot turn by a quarter (JL_BAD_TURN), has no idle mode
 * (JL_UNSUPPORTED) and no partial display (JL_NO_MOTION).
 */
extern const struct jl_controller jl_ssd1306;

/** Its horizontal scroll (26h, 27h), for jl_panel_config.motion; jl_start_line_motion rolls. */
extern const struct jl_motion jl_ssd1306_motion;

#ifdef __cplusplus
}
#endif

#endif
