/*
 * st7920: 128x64 monochrome LCD controller with a text mode of its own; synced SPI, 6800.
 */
#ifndef JADELAMP_CONTROLLERS_ST7920_H
#define JADELAMP_CONTROLLERS_ST7920_H

#include "jadelamp/panel.h"

#ifdef __cplusplus
extern "C" {
#endif

/**
 * In graphics mode. Buses: jl_bus_st7920_serial or jl_bus_6800_8_paced. Contrast is a trimmer on
 * the module; it can neither invert nor mirror. Frames are jl_mono_rows; areas grow to 16 columns.
 * Whole pictures of more than 32 rows are sent in half of the addresses.
 */
extern const struct jl_controller jl_st7920;

#ifdef __cplusplus
}
#endif

#endif
