/* Emulated ssd1305: 132 columns, dimming and colour banks, supply from outside. */
#include "mono_oled.h"

static const struct mono_oled_command commands[] = {
    MONO_OLED_COMMON_COMMANDS,
    MONO_OLED_WINDOW_COMMANDS,
    {0x26, 0x27, 4, "scroll"},
    {0x29, 0x2A, 5, "scroll with rows"},
    {0x2E, 0x2F, 0, "scroll stop or start"},
    {0x82, 0x82, 1, "brightness of the colour banks"},
    {0x91, 0x91, 4, "look-up table of drive pulse widths"},
    {0x92, 0x93, 4, "colours of banks"},
    {0xA3, 0xA3, 2, "vertical scroll area"},
    {0xAB, 0xAB, 3, "dim mode"},
    {0xAC, 0xAC, 0, "display on, dim"},
    {0xAD, 0xAD, 1, "master configuration"},
    {0xD8, 0xD8, 1, "area colour and low power"},
    {0xE0, 0xE0, 0, "read-modify-write"},
    {0xEE, 0xEE, 0, "read-modify-write end"},
    {0, 0, 0, NULL},
};

static const struct mono_oled_part part = {
    .segments = 132,
    .commands = commands,
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
    .machine = &jl_sim_mono_oled_machine,
    .facts = &part,
    .state_bytes = sizeof(struct mono_oled),
    .serial_cycle_ps = 250000,
    .parallel_cycle_ps = 300000,
    .i2c_cycle_ps = 2500000,
};
