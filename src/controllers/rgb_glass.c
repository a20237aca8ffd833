/* Glass that is scanned out, without a command port. */
#include "jadelamp/controllers/rgb_glass.h"

#include "scanned.h"

static size_t setup(const struct jl_panel *panel, uint8_t *out) {
    (void)panel;
    (void)out;
    return 0;
}

static size_t setting(const struct jl_panel *panel, enum jl_setting what, uint8_t value,
                      uint8_t *out) {
    (void)panel;
    (void)what;
    (void)value;
    (void)out;
    return 0;
}

static const uint8_t JL_FLASH wake_steps[] = {JL_STEP_SETUP};

const struct jl_controller jl_rgb_glass = {
    .name = "rgb-glass",
    .format = &jl_rgb565_cpu,
    .ram_width = 4096, /* it has none: the most that a line may be */
    .ram_height = 4096,
    .buses = 1 << JL_BUS_RGB,
    .turns = JL_TURNS_NONE,
    .column_unit = 1,
    .reset_low_us = 1000,
    .reset_recovery_us = 10000,
    .layouts[JL_WIRES_SERIAL] = SCANNED_LAYOUTS,
    .wake_steps = wake_steps,
    .wake_steps_bytes = sizeof wake_steps,
    .setup = setup,
    .setting = setting,
    .next = jl_scanned_next,
};
