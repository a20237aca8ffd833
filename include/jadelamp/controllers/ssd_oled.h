/*
 * What the grey and colour OLED controllers (ssd1322, ssd1325, ssd1327, ssd1331, ssd1351) have in
 * common:
 * contrast, inversion, lamp test, mirrors, sleep. All need the panel voltage from outside.
 */
#ifndef JADELAMP_CONTROLLERS_SSD_OLED_H
#define JADELAMP_CONTROLLERS_SSD_OLED_H

#include "jadelamp/panel.h"

#ifdef __cplusplus
extern "C" {
#endif

/**
 * Rolls the whole glass by the start line, for jl_panel_config.motion: ssd1327 and ssd1351
 * with 128 rows, ssd1331 with 64.
 */
extern const struct jl_motion jl_ssd_oled_motion;

#ifdef __cplusplus
}
#endif

#endif
