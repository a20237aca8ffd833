/*
 * Emulated st7796: 320x480, 18 bits; 16 and 18 bits a pixel on every bus. The maker's commands,
 * from B0h on, have an effect between F0h C3h, F0h 96h and F0h 3Ch, F0h 69h; D3h reads at any time.
 * Write cycles as its family's: 66 ns.
 */
#include "dcs.h"

static const struct dcs_part part = {
    .ram_width = 320,
    .ram_height = 480,
    .key_command = 0xF0,
    .keys = {0xC3, 0x96},
    .closing_keys = {0x3C, 0x69},
    .formats = 1 << 5 | 1 << 6,
    .command_wait_ms = 5,
    .serial_16_bits = true,
    .id = {0x00, 0x00, 0x00},
    .vendor_id = {0x00, 0x77, 0x96},
    .blank_at_60_hz = 16,
};

const struct jl_emulated_part jl_emulated_st7796 = {
    .name = "st7796",
    .commands = &jl_sim_st7796_commands,
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
