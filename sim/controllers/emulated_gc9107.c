/*
 * Emulated gc9107: 132x162, 18 bits, SPI only. Its vendor registers are unpublished: once FE and EF
 * came they take any arguments and change nothing here. Write cycle 16 ns.
 */
#include "dcs.h"

static const struct dcs_part part = {
    .ram_width = 132,
    .ram_height = 162,
    .lock_after = {0xFE, 0xEF},
    .formats = 1 << 3 | 1 << 5 | 1 << 6,
    .command_wait_ms = 5,
    .serial_16_bits = true,
    .id = {0x00, 0x91, 0x07},
    .blank_at_60_hz = 16,
};

const struct jl_emulated_part jl_emulated_gc9107 = {
    .name = "gc9107",
    .commands = &jl_sim_gc9107_commands,
    .machine = &jl_sim_dcs_machine,
    .strangers = jl_sim_dcs_strangers,
    .facts = &part,
    .state_bytes = DCS_STATE_BYTES(132, 162),
    .serial_cycle_ps = 16000,
    .serial_read_cycle_ps = 150000,
};
