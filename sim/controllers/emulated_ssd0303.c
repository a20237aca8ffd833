/* Emulated ssd0303: 132 columns by pages only, a DC-DC converter, colours by area. */
#include "mono_oled.h"

static const struct mono_oled_part part = {
    .segments = 132,
    .no_effect = "\xD8",
    .supply = MONO_OLED_CONVERTER,
    .column_stops = true,
    .fine_deselect = true,
    .pump_after_reset = true,
    .contrast_after_reset = 0x80,
    .clock_after_reset = 0x70,
    .reset_us = 3,
    .recovery_us = 3,
};

static const struct stranger strangers[] = {
    {0x20, 0x22, "this part has page addressing only: B0..B7, 10..1F and 00..0F before each line"},
    {0x26, 0x2F, "this part does not scroll"},
    {0x30, 0x33,
     "those set the converter of an sh1106; here AD 8B switches it on, and that is all"},
    {0x8D, 0x8D, "this part has no charge pump; AD 8B switches its converter on"},
    {0xE0, 0xE0, "this part has no read-modify-write"},
    {0xEE, 0xEE, "this part has no read-modify-write"},
    {0, 0, NULL},
};

const struct jl_emulated_part jl_emulated_ssd0303 = {
    .name = "ssd0303",
    .commands = &jl_sim_ssd0303_commands,
    .strangers = strangers,
    .machine = &jl_sim_mono_oled_machine,
    .facts = &part,
    .state_bytes = sizeof(struct mono_oled),
    .serial_cycle_ps = 250000,
    .parallel_cycle_ps = 300000,
    .i2c_cycle_ps = 2500000,
};
