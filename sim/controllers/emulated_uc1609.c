/* Emulated uc1609: 192 columns, a charge pump that one command starts, directions in one byte. */
#include "lcd_pages.h"

static const struct lcd_pages_part part = {
    .segments = 192,
    .at_once = true,
    .reset_us = 3,
    .recovery_us = 5000,
    .soft_reset_us = 1000,
    .full_soft_reset = true,
};

static const struct stranger strangers[] = {
    {0xC8, 0xCF, "directions are C0, and C2 for columns, C4 for rows, C6 for both"},
    {0xF8, 0xF8, "this part's charge pump has no booster ratio"},
    {0, 0, NULL},
};

const struct jl_emulated_part jl_emulated_uc1609 = {
    .name = "uc1609",
    .commands = &jl_sim_uc1609_commands,
    .strangers = strangers,
    .machine = &jl_sim_uc1609_machine,
    .facts = &part,
    .state_bytes = sizeof(struct lcd_pages),
    .serial_cycle_ps = 100000,
    .parallel_cycle_ps = 150000,
};
