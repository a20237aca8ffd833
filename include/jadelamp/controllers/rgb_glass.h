/*
 * Glass that is scanned out and has no controller of its own to talk to: drivers of rows and
 * columns only.
 */
#ifndef JADELAMP_CONTROLLERS_RGB_GLASS_H
#define JADELAMP_CONTROLLERS_RGB_GLASS_H

#include "jadelamp/controller.h"

#ifdef __cplusplus
extern "C" {
#endif

/**
 * On jl_bus_rgb. jl_panel_wake() drives its reset pin where it is wired, and jl_panel_light() its
 * light; pictures go out by scanout.h, and jl_panel_present() refuses them.
 */
extern const struct jl_controller jl_rgb_glass;

#ifdef __cplusplus
}
#endif

#endif
