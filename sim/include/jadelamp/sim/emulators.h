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

/** OLED controllers of the family with windows, on SPI and 8080. */
extern const struct jl_device_ops jl_emulated_ssd1322; /**< 480x128, 16 greys */
extern const struct jl_device_ops jl_emulated_ssd1327; /**< 128x128, 16 greys; I2C too */
extern const struct jl_device_ops jl_emulated_ssd1331; /**< 96x64, colour */
extern const struct jl_device_ops jl_emulated_ssd1351; /**< 128x128, colour */

/** TFT controllers of the MIPI DCS kind, on SPI (4 and 3 wires) and 8080 (8 and 16 bits). */
extern const struct jl_device_ops jl_emulated_st7735;  /**< 132x162, straps in jl_glass.ram_... */
extern const struct jl_device_ops jl_emulated_st7789;  /**< 240x320 */
extern const struct jl_device_ops jl_emulated_ili9341; /**< 240x320 */
extern const struct jl_device_ops jl_emulated_ili9488; /**< 320x480, 18 bits only on SPI */
extern const struct jl_device_ops jl_emulated_gc9a01;  /**< 240x240 */

#ifdef __cplusplus
}
#endif

#endif
