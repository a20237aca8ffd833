/*
 * Emulated hx8357, letter D: 320x480, 18 bits. The maker's commands, from B0h on, have an effect
 * once B9h came with FFh 83h 57h. Its panel register CCh changes nothing here. Write cycles 66 ns.
 */
#include "dcs.h"

static const struct dcs_part part = {
    .ram_width = 320,
    .ram_height = 480,
    .key_command = 0xB9,
    .keys = {0xFF, 0x83, 0x57},
    .formats = 1 << 5 | 1 << 6,
    .command_wait_ms = 5,
    .serial_16_bits = true,
    .id = {0x00, 0x00, 0x00},
    .blank_at_60_hz = 16,
};

const struct jl_emulated_part jl_emulated_hx8357 = {
    .name = "hx8357",
    .commands = &jl_sim_hx8357_commands,
    .machine = &jl_sim_dcs_machine,
    .strangers = jl_sim_dcs_strangers,
    .facts = &part,
    .state_bytes = DCS_STATE_BYTES(320, 480),
    .serial_cycle_ps = 66000,
    .parallel_cycle_ps = 66000,
    .serial_read_cycle_ps = 150000,
    .parallel_read_cycle_ps = 160000,
    .words = true,
    .no_6800 = true,
};
