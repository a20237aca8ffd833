/* Emulated ssd1309: no pump, a lock, finer deselect levels. */
#include "mono_oled.h"

static const struct mono_oled_command commands[] = {
    MONO_OLED_COMMON_COMMANDS,
    MONO_OLED_WINDOW_COMMANDS,
    {0x26, 0x26, 6, "scroll right"},
    {0x27, 0x27, 6, "scroll left"},
    {0x29, 0x29, 5, "scroll up and right"},
    {0x2A, 0x2A, 5, "scroll up and left"},
    {0x2E, 0x2E, 0, "scroll stop"},
    {0x2F, 0x2F, 0, "scroll start"},
    {0xA3, 0xA3, 2, "vertical scroll area"},
    {0xDC, 0xDC, 1, "GPIO"},
    {0xFD, 0xFD, 1, "command lock"},
    {0, 0, 0, NULL},
};

static const struct mono_oled_part part = {
    .segments = 128,
    .commands = commands,
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
    .machine = &jl_sim_mono_oled_machine,
    .facts = &part,
    .state_bytes = sizeof(struct mono_oled),
    .serial_cycle_ps = 100000,
    .parallel_cycle_ps = 300000,
    .i2c_cycle_ps = 2500000,
};
