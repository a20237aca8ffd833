/*
 * Drivers of the 1-bit LCD controllers of one family (st7565, st7567, uc1701): pages of 132
 * columns, an electronic volume, and a booster, a regulator and a follower that are switched on
 * one after the other. What their encoders share.
 */
#ifndef JADELAMP_SRC_LCD_PAGES_H
#define JADELAMP_SRC_LCD_PAGES_H

#include "jadelamp/panel.h"

size_t jl_lcd_pages_setup(const struct jl_panel *panel, uint8_t *out);
size_t jl_lcd_pages_setting(const struct jl_panel *panel, enum jl_setting what, uint8_t value,
                            uint8_t *out);
size_t jl_lcd_pages_window(const struct jl_panel *panel, const struct jl_stretch *stretch,
                           uint8_t *out);

/* Power stages, each with the time that the one before needs (st7565 datasheet, power flow). */
#define LCD_PAGES_POWER_STEPS                                                                      \
    JL_STEP_SEND(0x2C), JL_STEP_WAIT_MS(50),     /* booster */                                     \
        JL_STEP_SEND(0x2E), JL_STEP_WAIT_MS(50), /* regulator too */                               \
        JL_STEP_SEND(0x2F), JL_STEP_WAIT_MS(10)  /* and the follower */

/* What the descriptors have in common; the steps are called wake_steps. */
#define LCD_PAGES_CONTROLLER                                                                       \
    .format = &jl_mono_columns, .ram_width = 132, .ram_height = 64,                                \
    .layouts[JL_WIRES_SERIAL] = 1 << JL_LAYOUT_MONO_COLUMNS,                                       \
    .layouts[JL_WIRES_PARALLEL] = 1 << JL_LAYOUT_MONO_COLUMNS, .turns = JL_TURNS_EVEN,             \
    .column_unit = 1, .window_price_px = JL_WINDOW_A_LINE + 24, .default_contrast = 0x80,          \
    .wake_steps = wake_steps, .wake_steps_bytes = sizeof wake_steps, .setup = jl_lcd_pages_setup,  \
    .setting = jl_lcd_pages_setting, .window = jl_lcd_pages_window, .next = jl_next_page

#endif
