/* ks0108 driver (instruction table): two or three controllers of 64x64 that know nothing of each
 * other. */
#include "jadelamp/controllers/ks0108.h"

#include "chips.h"
#include "no_setup.h"

enum { COLUMNS = 64, OFF = 0x3E, SET_COLUMN = 0x40 };

static const uint8_t JL_FLASH wake_steps[] = {
    CHIPS_STEP(CHIPS_ALL),
    JL_STEP_SEND(OFF, 0xC0), /* RAM row 0 on the first line */
    JL_STEP_CLEAR,
    JL_STEP_SEND(OFF + 1),
};

static size_t setting(const struct jl_panel *panel, enum jl_setting what, uint8_t value,
                      uint8_t *out) {
    (void)panel;
    return what == JL_SETTING_POWER ? jl_chips_power(out, OFF, value != 0) : 0;
}

static size_t next(struct jl_panel *panel, const struct jl_rect *area, struct jl_stretch *stretch,
                   uint8_t *out) {
    (void)panel;
    return jl_chips_next(area, stretch, out, COLUMNS, SET_COLUMN);
}

const struct jl_controller jl_ks0108 = {
    .name = "ks0108",
    .format = &jl_mono_columns,
    .ram_width = 3 * COLUMNS,
    .ram_height = 64,
    .buses = 1 << JL_BUS_6800_8,
    .layouts[JL_WIRES_PARALLEL] = 1 << JL_LAYOUT_MONO_COLUMNS,
    .turns = JL_TURNS_NONE,
    .column_unit = 1,
    .byte_us = 14, /* three clocks of 215 kHz, its slowest usual oscillator */
    .reset_low_us = 1,
    .reset_recovery_us = 20,
    .window_price_px = JL_WINDOW_A_LINE + 16,
    .parallel_cycle_ns = 1000,
    .wake_steps = wake_steps,
    .wake_steps_bytes = sizeof wake_steps,
    .setup = jl_no_setup,
    .setting = setting,
    .next = next,
    .rare_step = jl_chips_step,
};
