/* Emulated uc1701: advanced control, and a soft reset that takes time. */
#include "lcd_pages.h"

static const struct lcd_pages_part part = {
    .segments = 132,
    .reset_us = 3,
    .recovery_us = 5000,
    .soft_reset_us = 1000,
    .full_soft_reset = true,
};

const struct jl_emulated_part jl_emulated_uc1701 = {
    .name = "uc1701",
    .commands = &jl_sim_uc1701_commands,
    .machine = &jl_sim_lcd_pages_machine,
    .facts = &part,
    .state_bytes = sizeof(struct lcd_pages),
    .serial_cycle_ps = 100000,
    .parallel_cycle_ps = 150000,
};
