/*
 * pcd8544: 84x48 monochrome LCD controller; SPI (4 wires), write only.
 */
#ifndef JADELAMP_CONTROLLERS_PCD8544_H
#define JADELAMP_CONTROLLERS_PCD8544_H

#include "jadelamp/panel.h"

#ifdef __cplusplus
extern "C" {
#endif

/**
 * The contrast is Vop, 3.06 V + 0.06 V for every 2; glass wants 6 to 7.5 V. It cannot mirror the
 * picture: turn the target instead. It must be reset after power-on: JL_MODULE_RESET_WIRED. Frames
 * are jl_mono_columns.
 */
extern const struct jl_controller jl_pcd8544;

#ifdef __cplusplus
}
#endif

#endif
