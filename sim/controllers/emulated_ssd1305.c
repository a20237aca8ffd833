/* Emulated ssd1305: 132 columns, dimming and colour banks, supply from outside. */
#include "mono_oled.h"

static const struct mono_oled_part part = {
    .segments = 132,
    .no_effect = "\x82\x91\x92\x93\xD8",
    .supply = MONO_OLED_OUTSIDE,
    .fine_deselect = true,
    .scroll_columns = true,
    .contrast_after_reset = 0x80,
    .clock_after_reset = 0x70,
    .reset_us = 3,
    .recovery_us = 3,
};

const struct jl_emulated_part jl_emulated_ssd1305 = {
    .name = "ssd1305",
    .commands = &jl_sim_ssd1305_commands,
    .machine = &jl_sim_mono_oled_machine,
    .facts = &part,
    .state_bytes = sizeof(struct mono_oled),
    .serial_cycle_ps = 250000,
    .parallel_cycle_ps = 300000,
    .i2c_cycle_ps = 2500000,
};
