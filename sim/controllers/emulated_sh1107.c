/* Emulated sh1107: 128 commons along its columns, 128 segments along its pages, a converter. */
#include "mono_oled.h"

static const struct mono_oled_part part = {
    .segments = 128,
    .no_effect = "",
    .supply = MONO_OLED_CONVERTER,
    .fine_deselect = true,
    .pump_after_reset = true,
    .sideways = true,
    .contrast_after_reset = 0x80,
    .clock_after_reset = 0x50,
    .reset_us = 10,
    .recovery_us = 2,
};

static const struct stranger strangers[] = {
    {0x22, 0x22, "this part has no windows: B0..BF, 10..17 and 00..0F before each line"},
    {0x26, 0x2F, "this part does not scroll"},
    {0x30, 0x33, "those set the converter of an sh1106; here AD 8B switches it on, that is all"},
    {0x40, 0x7F, "here the first line is an argument: DC 00"},
    {0x8D, 0x8D, "this part has no charge pump; AD 8B switches its converter on"},
    {0xDA, 0xDA, "this part has one wiring of its commons only"},
    {0, 0, NULL},
};

const struct jl_emulated_part jl_emulated_sh1107 = {
    .name = "sh1107",
    .commands = &jl_sim_sh1107_commands,
    .strangers = strangers,
    .machine = &jl_sim_sideways_oled_machine,
    .facts = &part,
    .state_bytes = sizeof(struct mono_oled),
    .serial_cycle_ps = 250000,
    .parallel_cycle_ps = 300000,
    .i2c_cycle_ps = 2500000,
};
