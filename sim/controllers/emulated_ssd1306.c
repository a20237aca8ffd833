/* Emulated ssd1306 (datasheet rev 1.1, table 9-1), and 23h/D6h of later revisions. */
#include "mono_oled.h"

const struct mono_oled_part jl_sim_ssd1306_facts = {
    .segments = 128,
    .no_effect = "",
    .supply = MONO_OLED_PUMP,
    .contrast_after_reset = 0x7F,
    .clock_after_reset = 0x80,
    .reset_us = 3,
    .recovery_us = 3,
};

const struct stranger jl_sim_ssd1306_strangers[] = {
    {0xAD, 0xAD, "the converter is an sh1106's; here 8D 14 switches the charge pump on"},
    {0, 0, NULL},
};

const struct jl_emulated_part jl_emulated_ssd1306 = {
    .name = "ssd1306",
    .commands = &jl_sim_ssd1306_commands,
    .strangers = jl_sim_ssd1306_strangers,
    .machine = &jl_sim_mono_oled_machine,
    .facts = &jl_sim_ssd1306_facts,
    .state_bytes = sizeof(struct mono_oled),
    .serial_cycle_ps = 100000,
    .parallel_cycle_ps = 300000,
    .i2c_cycle_ps = 2500000,
};
