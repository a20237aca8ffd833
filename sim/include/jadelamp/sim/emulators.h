/*
 * The emulated controllers. They know nothing of the library's drivers: they
 * understand whatever arrives on their bus.
 */
#ifndef JADELAMP_SIM_EMULATORS_H
#define JADELAMP_SIM_EMULATORS_H

#include "jadelamp/sim/board.h"

#ifdef __cplusplus
extern "C" {
#endif

/** Passive-matrix OLED controller, 128 segments and 64 commons, I2C and SPI. */
extern const struct jl_device_ops jl_emulated_ssd1306;

#ifdef __cplusplus
}
#endif

#endif
