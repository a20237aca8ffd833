/*
 * ws0010 driver, graphic mode (instruction table): an hd44780's instructions, where the address of
 * DDRAM is a column and that of CGRAM a row of 8 dots.
 */
#include "jadelamp/controllers/ws0010_graphics.h"

#include "no_setup.h"

enum {
    CLEAR = 0x01,
    ENTRY = 0x06, /* the address counts up */
    DISPLAY_OFF = 0x08,
    DISPLAY_ON = 0x0C,
    SUPPLY_OFF = 0x1B,
    SUPPLY_ON = 0x1F, /* and graphics */
    FUNCTION = 0x38,  /* 8 lines */
    SET_ROW = 0x40,
    SET_COLUMN = 0x80,
};

static const uint8_t JL_FLASH wake_steps[] = {
    JL_STEP_WAIT_MS(500), /* after power-on */
    JL_STEP_SEND(FUNCTION, FUNCTION, FUNCTION, DISPLAY_OFF, CLEAR),
    JL_STEP_WAIT_MS(7), /* 6.2 ms */
    JL_STEP_SEND(ENTRY, SUPPLY_ON),
    JL_STEP_CLEAR,
    JL_STEP_SEND(DISPLAY_ON),
};

static size_t setting(const struct jl_panel *panel, enum jl_setting what, uint8_t value,
                      uint8_t *out) {
    (void)panel;
    out[0] = 2;
    out[1] = value ? SUPPLY_ON : DISPLAY_OFF;
    out[2] = value ? DISPLAY_ON : SUPPLY_OFF;
    return what == JL_SETTING_POWER ? 3 : 0;
}

static size_t window(const struct jl_panel *panel, const struct jl_stretch *stretch, uint8_t *out) {
    (void)panel;
    out[0] = 2;
    out[1] = (uint8_t)(SET_ROW | stretch->area.y >> 3);
    out[2] = (uint8_t)(SET_COLUMN | stretch->area.x);
    return 3;
}

const struct jl_controller jl_ws0010_graphics = {
    .name = "ws0010_graphics",
    .format = &jl_mono_columns,
    .ram_width = 100,
    .ram_height = 16,
    .buses = 1 << JL_BUS_6800_8,
    .layouts[JL_WIRES_PARALLEL] = 1 << JL_LAYOUT_MONO_COLUMNS,
    .turns = JL_TURNS_NONE,
    .column_unit = 1,
    .byte_us = 53, /* 37 us at 270 kHz; as slow as 190 kHz */
    .window_price_px = JL_WINDOW_A_LINE + 16,
    .parallel_cycle_ns = 500,
    .wake_steps = wake_steps,
    .wake_steps_bytes = sizeof wake_steps,
    .setup = jl_no_setup,
    .setting = setting,
    .window = window,
    .next = jl_next_line,
};
