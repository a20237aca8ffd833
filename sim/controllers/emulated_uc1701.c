/* Emulated uc1701: advanced control, and a soft reset that takes time. */
#include "lcd_pages.h"

static const struct lcd_pages_command commands[] = {
    {0xAC, 0xAD, 0, "static indicator"},
    {0xFA, 0xFA, 1, "advanced control"},
    {0, 0, 0, NULL},
};

static const struct lcd_pages_part part = {
    .commands = commands,
    .reset_us = 3,
    .recovery_us = 5000,
    .soft_reset_us = 1000,
    .full_soft_reset = true,
};

const struct jl_emulated_part jl_emulated_uc1701 = {
    .name = "uc1701",
    .machine = &jl_sim_lcd_pages_machine,
    .facts = &part,
    .state_bytes = sizeof(struct lcd_pages),
    .serial_cycle_ps = 100000,
    .parallel_cycle_ps = 150000,
};
