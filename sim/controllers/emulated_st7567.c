/* Emulated st7567: no static indicator. */
#include "lcd_pages.h"

static const struct lcd_pages_part part = {
    .segments = 132,
    .reset_us = 5,
    .recovery_us = 5,
};

const struct jl_emulated_part jl_emulated_st7567 = {
    .name = "st7567",
    .commands = &jl_sim_st7567_commands,
    .machine = &jl_sim_lcd_pages_machine,
    .facts = &part,
    .state_bytes = sizeof(struct lcd_pages),
    .serial_cycle_ps = 50000,
    .parallel_cycle_ps = 240000,
};
