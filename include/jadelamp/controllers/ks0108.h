/*
 * ks0108: monochrome LCD of 128x64 or 192x64, a controller for each 64 columns; 6800.
 */
#ifndef JADELAMP_CONTROLLERS_KS0108_H
#define JADELAMP_CONTROLLERS_KS0108_H

#include "jadelamp/panel.h"

#ifdef __cplusplus
extern "C" {
#endif

/**
 * Glass of 128x64 (or 64x64 of one controller), whose halves are selected by JL_PIN_CHIP1 and
 * JL_PIN_CHIP2, and of 192x64, whose right third is by JL_PIN_CHIP3; bus jl_bus_6800_8_paced, since
 * each byte keeps it busy for up to 14 us. It cannot turn or invert, and contrast is a trimmer on
 * the module. Frames are jl_mono_columns.
 */
extern const struct jl_controller jl_ks0108;

#ifdef __cplusplus
}
#endif

#endif
