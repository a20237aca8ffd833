/*
 * How the controllers are read, for the calls of readback.h. Parts that are not here cannot be
 * read by it: e-paper, the pcd8544, the st7920; SPI buses of OLED and LCD parts only take.
 */
#ifndef JADELAMP_CONTROLLERS_READINGS_H
#define JADELAMP_CONTROLLERS_READINGS_H

#include "jadelamp/readback.h"

#ifdef __cplusplus
extern "C" {
#endif

/** TFT parts: identity, state and memory on SPI with 3 and 4 wires and on 8080; no memory on 16
 * lines. */
extern const struct jl_reading jl_st7735_reading;
extern const struct jl_reading jl_st7789_reading;
extern const struct jl_reading jl_ili9341_reading;
extern const struct jl_reading jl_ili9488_reading;
extern const struct jl_reading jl_st7796_reading;
extern const struct jl_reading jl_ili9163_reading;
extern const struct jl_reading jl_gc9a01_reading;

/** ssd0303, ssd1305, ssd1306, ssd1309, ssd1315, sh1106, sh1107: whether it is on, on I2C, 8080 and
 * 6800; the memory on the latter two. */
extern const struct jl_reading jl_mono_oled_reading;

/** ssd1327 (ssd1325, too) and ssd1331: as jl_mono_oled_reading. */
extern const struct jl_reading jl_ssd1327_reading;
extern const struct jl_reading jl_ssd1331_reading;
/** ssd1322 and ssd1351: whether it is on, and the memory, on 8080 and 6800. */
extern const struct jl_reading jl_ssd1322_reading;
extern const struct jl_reading jl_ssd1351_reading;

/** st7565, st7567, uc1701, ks0108, sed1520: the same. Of several controllers behind a glass all
 * answer at once, and alike, unless one of them was switched off by itself. */
extern const struct jl_reading jl_lcd_pages_reading;

#ifdef __cplusplus
}
#endif

#endif
