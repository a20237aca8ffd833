/*
 * st7701: TFT controller without a memory, up to 480x864: pixels are scanned out to it (scanout.h),
 * and commands come by a port of their own, 3-wire SPI.
 */
#ifndef JADELAMP_CONTROLLERS_ST7701_H
#define JADELAMP_CONTROLLERS_ST7701_H

#include "jadelamp/controllers/dcs.h"

#ifdef __cplusplus
extern "C" {
#endif

/**
 * Glass of 480x480 with 18 data lines, on jl_bus_spi_3wire. Until jl_panel_wake() it stays white.
 * Its wake-up sequence has the glass maker's voltages and gate timings: other glass brings its own
 * as wake_steps. jl_panel_present() refuses pictures: see scanout.h.
 */
extern const struct jl_controller jl_st7701;

#ifdef __cplusplus
}
#endif

#endif
