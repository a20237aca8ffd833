/*
 * uc1701: 132x64 monochrome LCD controller; SPI (4 and 3 wires), 8080, 6800.
 */
#ifndef JADELAMP_CONTROLLERS_UC1701_H
#define JADELAMP_CONTROLLERS_UC1701_H

#include "jadelamp/panel.h"

#ifdef __cplusplus
extern "C" {
#endif

/**
 * As st7565.
 */
extern const struct jl_controller jl_uc1701;

#ifdef __cplusplus
}
#endif

#endif
