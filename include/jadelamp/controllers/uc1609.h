/*
 * uc1609: 192x64 monochrome LCD controller; SPI, 8080, 6800.
 */
#ifndef JADELAMP_CONTROLLERS_UC1609_H
#define JADELAMP_CONTROLLERS_UC1609_H

#include "jadelamp/panel.h"

#ifdef __cplusplus
extern "C" {
#endif

/**
 * Each page is addressed by itself. jl_panel_contrast() is its volume: too little shows nothing,
 * too much shows black. Frames are jl_mono_columns. Scroller: jl_start_line_motion.
 */
extern const struct jl_controller jl_uc1609;

#ifdef __cplusplus
}
#endif

#endif
