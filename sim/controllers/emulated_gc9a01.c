/*
 * Emulated gc9a01: 240x240, 18 bits. Its vendor registers are unpublished: once FE and EF came they
 * take any arguments and change nothing here. Serial write cycle 10 ns, parallel 66 ns as sources
 * give.
 */
#include "dcs.h"

static const struct dcs_part part = {
    .ram_width = 240,
    .ram_height = 240,
    .lock_after = {0xFE, 0xEF},
    .formats = 1 << 3 | 1 << 5 | 1 << 6,
    .command_wait_ms = 5,
    .serial_16_bits = true,
    .id = {0x00, 0x9A, 0x01},
    .blank_at_60_hz = 20,
};

const struct jl_emulated_part jl_emulated_gc9a01 = {
    .name = "gc9a01",
    .commands = &jl_sim_gc9a01_commands,
    .machine = &jl_sim_dcs_machine,
    .strangers = jl_sim_dcs_strangers,
    .facts = &part,
    .state_bytes = DCS_STATE_BYTES(240, 240),
    .serial_cycle_ps = 10000,
    .parallel_cycle_ps = 66000,
    .serial_read_cycle_ps = 150000,
    .parallel_read_cycle_ps = 160000,
    .words = true,
    .no_6800 = true,
};
