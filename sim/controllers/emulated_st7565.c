/* Emulated st7565. */
#include "lcd_pages.h"

static const struct lcd_pages_part part = {
    .segments = 132,
    .reset_us = 1,
    .recovery_us = 1,
};

static const struct stranger strangers[] = {
    {0x8D, 0x8D, "the charge pump is an OLED's; here 2C, 2E and 2F switch the supply on"},
    {0, 0, NULL},
};

const struct jl_emulated_part jl_emulated_st7565 = {
    .name = "st7565",
    .commands = &jl_sim_st7565_commands,
    .strangers = strangers,
    .machine = &jl_sim_lcd_pages_machine,
    .facts = &part,
    .state_bytes = sizeof(struct lcd_pages),
    .serial_cycle_ps = 50000,
    .parallel_cycle_ps = 240000,
};
