/* sed1520 driver (command table): two controllers of 80 columns, 61 of which are on the glass. */
#include "jadelamp/controllers/sed1520.h"

#include "chips.h"
#include "no_setup.h"

enum { COLUMNS = 61, OFF = 0xAE, ALL_ON = 0xA4 };

static const uint8_t JL_FLASH wake_steps[] = {
    CHIPS_STEP(CHIPS_ALL),
    JL_STEP_SEND(0xE2), /* reset: it takes no pin for that on most modules */
    JL_STEP_WAIT_MS(1),
    JL_STEP_SEND(OFF, 0xEE, /* read-modify-write off */
                 0xA9,      /* duty 1/32 */
                 0xC0,      /* RAM row 0 on the first line */
                 0xA0,      /* columns from the left */
                 ALL_ON),   /* static drive off: the RAM is shown */
    JL_STEP_CLEAR,
    JL_STEP_SEND(OFF + 1),
};

static size_t setting(const struct jl_panel *panel, enum jl_setting what, uint8_t value,
                      uint8_t *out) {
    (void)panel;
    return what == JL_SETTING_POWER    ? jl_chips_power(out, OFF, value != 0)
           : what == JL_SETTING_ALL_ON ? jl_chips_power(out, ALL_ON, value != 0)
                                       : 0;
}

static size_t next(struct jl_panel *panel, const struct jl_rect *area, struct jl_stretch *stretch,
                   uint8_t *out) {
    (void)panel;
    return jl_chips_next(area, stretch, out, COLUMNS, 0);
}

const struct jl_controller jl_sed1520 = {
    .name = "sed1520",
    .format = &jl_mono_columns,
    .ram_width = 2 * COLUMNS,
    .ram_height = 32,
    .buses = 1 << JL_BUS_6800_8 | 1 << JL_BUS_8080_8,
    .layouts[JL_WIRES_PARALLEL] = 1 << JL_LAYOUT_MONO_COLUMNS,
    .turns = JL_TURNS_NONE,
    .column_unit = 1,
    .reset_low_us = 1,
    .reset_recovery_us = 1000,
    .window_price_px = JL_WINDOW_A_LINE + 16,
    .parallel_cycle_ns = 1000,
    .wake_steps = wake_steps,
    .wake_steps_bytes = sizeof wake_steps,
    .setup = jl_no_setup,
    .setting = setting,
    .next = next,
    .rare_step = jl_chips_step,
};
