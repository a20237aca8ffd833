/*
 * Rolling by the start line: ssd0303, ssd1305, ssd1306, ssd1309, ssd1315, sh1106, st7565, st7567,
 * uc1701, uc1609.
 */
#ifndef JADELAMP_CONTROLLERS_START_LINE_H
#define JADELAMP_CONTROLLERS_START_LINE_H

#include "jadelamp/panel.h"

#ifdef __cplusplus
extern "C" {
#endif

/** Rolls all 64 rows, on glass that has as many; for jl_panel_config.motion. */
extern const struct jl_motion jl_start_line_motion;

#ifdef __cplusplus
}
#endif

#endif
