/* Emulated ssd1309: no pump, a lock, finer deselect levels. */
#include "mono_oled.h"

static const struct mono_oled_part part = {
    .segments = 128,
    .no_effect = "\xDC",
    .supply = MONO_OLED_OUTSIDE,
    .fine_deselect = true,
    .contrast_after_reset = 0x7F,
    .clock_after_reset = 0x70,
    .reset_us = 3,
    .recovery_us = 3,
};

const struct jl_emulated_part jl_emulated_ssd1309 = {
    .name = "ssd1309",
    .commands = &jl_sim_ssd1309_commands,
    .machine = &jl_sim_mono_oled_machine,
    .facts = &part,
    .state_bytes = sizeof(struct mono_oled),
    .serial_cycle_ps = 100000,
    .parallel_cycle_ps = 300000,
    .i2c_cycle_ps = 2500000,
};
