/*
 * st7567: 132x64 monochrome LCD controller; SPI (4 wires), 8080, 6800.
 */
#ifndef JADELAMP_CONTROLLERS_ST7567_H
#define JADELAMP_CONTROLLERS_ST7567_H

#include "jadelamp/panel.h"

#ifdef __cplusplus
extern "C" {
#endif

/**
 * As st7565.
 */
extern const struct jl_controller jl_st7567;

#ifdef __cplusplus
}
#endif

#endif
