/*
 * Controllers that follow the MIPI Display Command Set (DCS 1.02, section 6): what their
 * encoders share. Command names are the standard's.
 */
#ifndef JADELAMP_SRC_DCS_H
#define JADELAMP_SRC_DCS_H

#include "jadelamp/panel.h"

enum {
    DCS_SOFT_RESET = 0x01,
    DCS_ENTER_SLEEP_MODE = 0x10,
    DCS_EXIT_SLEEP_MODE = 0x11,
    DCS_ENTER_PARTIAL_MODE = 0x12,
    DCS_ENTER_NORMAL_MODE = 0x13,
    DCS_EXIT_INVERT_MODE = 0x20, /* and 21 enter_invert_mode */
    DCS_SET_GAMMA_CURVE = 0x26,
    DCS_SET_DISPLAY_OFF = 0x28,
    DCS_SET_DISPLAY_ON = 0x29,
    DCS_SET_COLUMN_ADDRESS = 0x2A,
    DCS_SET_PAGE_ADDRESS = 0x2B,
    DCS_WRITE_MEMORY_START = 0x2C,
    DCS_SET_PARTIAL_ROWS = 0x30,
    DCS_SET_SCROLL_AREA = 0x33,
    DCS_SET_TEAR_ON = 0x35,
    DCS_SET_ADDRESS_MODE = 0x36,
    DCS_SET_SCROLL_START = 0x37,
    DCS_EXIT_IDLE_MODE = 0x38, /* and 39 enter_idle_mode */
    DCS_SET_PIXEL_FORMAT = 0x3A,
    DCS_WRITE_DISPLAY_BRIGHTNESS = 0x51,
    DCS_WRITE_CONTROL_DISPLAY = 0x53,
};

/* Layouts of parts that take 5-6-5 and 6-6-6 everywhere. */
#define DCS_BYTE_LAYOUTS (1 << JL_LAYOUT_RGB565 | 1 << JL_LAYOUT_RGB666)
#define DCS_WORD_LAYOUTS (1 << JL_LAYOUT_RGB565_CPU)
#define DCS_BUSES                                                                                  \
    (1 << JL_BUS_SPI | 1 << JL_BUS_SPI_3WIRE | 1 << JL_BUS_8080_8 | 1 << JL_BUS_8080_16)

/* What the descriptors of the parts have in common; the steps are called wake_steps. */
#define DCS_COMMON                                                                                 \
    .turns = JL_TURNS_ALL, .opcode_bytes = 1, .column_unit = 1, .reset_low_us = 10,                \
    .reset_recovery_us = 5000, .window_price_px = 12, .wake_steps = wake_steps,                    \
    .wake_steps_bytes = sizeof wake_steps, .next = jl_dcs_next

/* Of those with all buses. */
#define DCS_CONTROLLER                                                                             \
    .buses = DCS_BUSES, .layouts[JL_WIRES_PARALLEL] = DCS_BYTE_LAYOUTS,                            \
    .layouts[JL_WIRES_WORD] = DCS_WORD_LAYOUTS, DCS_COMMON

/* Address mode, pixel format, inversion; and with the light, what 51h and 53h drive. */
size_t jl_dcs_setup(const struct jl_panel *panel, uint8_t *out);
size_t jl_dcs_setup_with_light(const struct jl_panel *panel, uint8_t *out);

size_t jl_dcs_setting(const struct jl_panel *panel, enum jl_setting what, uint8_t value,
                      uint8_t *out);
size_t jl_dcs_setting_with_light(const struct jl_panel *panel, enum jl_setting what, uint8_t value,
                                 uint8_t *out);

size_t jl_dcs_next(struct jl_panel *panel, const struct jl_rect *area, struct jl_stretch *stretch,
                   uint8_t *out);
#endif
