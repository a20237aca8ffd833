/*
 * ws0010 in its graphic mode: OLED modules of 100x16 dots; 6800. Character modules with the same
 * part are in char_panel.h.
 */
#ifndef JADELAMP_CONTROLLERS_WS0010_GRAPHICS_H
#define JADELAMP_CONTROLLERS_WS0010_GRAPHICS_H

#include "jadelamp/panel.h"

#ifdef __cplusplus
extern "C" {
#endif

/**
 * Bus jl_bus_6800_8_paced, since each byte keeps it busy for up to 53 us. It has no reset pin; it
 * cannot turn or invert, and its brightness is fixed. Frames are jl_mono_columns. It must not be
 * switched off by its supply while it shows something: jl_panel_sleep() first.
 */
extern const struct jl_controller jl_ws0010_graphics;

#ifdef __cplusplus
}
#endif

#endif
