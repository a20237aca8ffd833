/* Emulated ssd1306 (datasheet rev 1.1, table 9-1), and 23h/D6h of later revisions. */
#include "mono_oled.h"

static const struct mono_oled_command commands[] = {
    MONO_OLED_COMMON_COMMANDS,
    MONO_OLED_WINDOW_COMMANDS,
    {0x23, 0x23, 1, "fade out and blinking"},
    {0x26, 0x26, 6, "scroll right"},
    {0x27, 0x27, 6, "scroll left"},
    {0x29, 0x29, 5, "scroll up and right"},
    {0x2A, 0x2A, 5, "scroll up and left"},
    {0x2E, 0x2E, 0, "scroll stop"},
    {0x2F, 0x2F, 0, "scroll start"},
    {0x8D, 0x8D, 1, "charge pump"},
    {0xA3, 0xA3, 2, "vertical scroll area"},
    {0xD6, 0xD6, 1, "zoom"},
    {0, 0, 0, NULL},
};

static const struct mono_oled_part part = {
    .segments = 128,
    .commands = commands,
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

const struct jl_emulated_part jl_emulated_ssd1306 = {
    .name = "ssd1306",
    .strangers = strangers,
    .machine = &jl_sim_mono_oled_machine,
    .facts = &part,
    .state_bytes = sizeof(struct mono_oled),
    .serial_cycle_ps = 100000,
    .parallel_cycle_ps = 300000,
    .i2c_cycle_ps = 2500000,
};
