/* Emulated st7565. */
#include "lcd_pages.h"

static const struct lcd_pages_command commands[] = {
    {0xAC, 0xAC, 0, "static indicator off"},
    {0xAD, 0xAD, 1, "static indicator on"},
    {0, 0, 0, NULL},
};

static const struct lcd_pages_part part = {
    .commands = commands,
    .reset_us = 1,
    .recovery_us = 1,
};

const struct jl_emulated_part jl_emulated_st7565 = {
    .name = "st7565",
    .machine = &jl_sim_lcd_pages_machine,
    .facts = &part,
    .state_bytes = sizeof(struct lcd_pages),
    .serial_cycle_ps = 50000,
    .parallel_cycle_ps = 240000,
};
