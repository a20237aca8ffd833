/*
 * What the TFT controllers that follow the MIPI Display Command Set have in common. All take
 * 5-6-5 (jl_rgb565; jl_rgb565_cpu on a 16-bit bus) and 6-6-6 (jl_rgb666, or jl_rgb888 whose low
 * bits they ignore), on SPI with 4 and 3 wires and on 8080, except where their own header
 * says otherwise. Quarter turns, mirrors, inversion, idle mode and sleep are supported.
 */
#ifndef JADELAMP_CONTROLLERS_DCS_H
#define JADELAMP_CONTROLLERS_DCS_H

#include "jadelamp/panel.h"

#ifdef __cplusplus
extern "C" {
#endif

/** Scroll area and partial display of all of them, for jl_panel_config.motion. */
extern const struct jl_motion jl_dcs_motion;

#ifdef __cplusplus
}
#endif

#endif
