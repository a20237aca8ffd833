/*
 * What the drivers of 1-bit OLED controllers with 132 columns, addressed by pages only, and a DC-DC
 * converter of their own (ADh) share: sh1106 and ssd0303.
 */
#ifndef JADELAMP_SRC_PAGE_OLED_H
#define JADELAMP_SRC_PAGE_OLED_H

#include "mono_oled.h"

/* The settings of all 1-bit OLEDs, then the converter: 8Bh on, 8Ah where the supply is external. */
size_t jl_page_oled_setup(const struct jl_panel *panel, uint8_t *out);

/* A page from the panel's first column on. */
size_t jl_page_oled_window(const struct jl_panel *panel, const struct jl_stretch *stretch,
                           uint8_t *out);

/* What their descriptors have in common. The price: 7 bytes on I2C
 * (address, control, B0 10 00, address, control). */
#define PAGE_OLED_CONTROLLER                                                                       \
    .ram_width = 132, .default_contrast = 0x80, .window_price_px = JL_WINDOW_A_LINE + 56,          \
    .serial_cycle_ns = 250, .parallel_cycle_ns = 300, .window = jl_page_oled_window,               \
    .next = jl_next_page, .setup = jl_page_oled_setup, MONO_OLED_CONTROLLER

#endif
