/*
 * sed1520: 122x32 monochrome LCD, two controllers of 61 columns; 6800 and 8080.
 */
#ifndef JADELAMP_CONTROLLERS_SED1520_H
#define JADELAMP_CONTROLLERS_SED1520_H

#include "jadelamp/panel.h"

#ifdef __cplusplus
extern "C" {
#endif

/**
 * Glass of 122x32, whose halves are selected by JL_PIN_CHIP1 and JL_PIN_CHIP2. Modules with E1 and
 * E2 have an enable for each instead: the port pulses those that are selected. It cannot turn or
 * invert, and contrast is a trimmer on the module. Frames are jl_mono_columns.
 */
extern const struct jl_controller jl_sed1520;

#ifdef __cplusplus
}
#endif

#endif
