/* Emulated ssd1315: digital part and charge pump as an ssd1306 has them. */
#include "mono_oled.h"

static const struct mono_oled_part part = {
    .segments = 128,
    .no_effect = "",
    .supply = MONO_OLED_PUMP,
    .contrast_after_reset = 0x7F,
    .clock_after_reset = 0x80,
    .reset_us = 3,
    .recovery_us = 3,
};

static const struct stranger strangers[] = {
    {0xAD, 0xAD, "the converter is an sh1106's; here 8D 14 switches the charge pump on"},
    {0, 0, NULL},
};

const struct jl_emulated_part jl_emulated_ssd1315 = {
    .name = "ssd1315",
    .commands = &jl_sim_ssd1315_commands,
    .strangers = strangers,
    .machine = &jl_sim_mono_oled_machine,
    .facts = &part,
    .state_bytes = sizeof(struct mono_oled),
    .serial_cycle_ps = 100000,
    .parallel_cycle_ps = 300000,
    .i2c_cycle_ps = 2500000,
};
