/*
 * Emulated ili9488 (datasheet V1.0): 320x480, 18 bits. On serial buses it takes 18 bits a pixel (or
 * 3), never 16. Serial write cycle 66 ns where sources give 15 to 20 MHz, parallel 30 ns.
 */
#include "dcs.h"

static const struct dcs_part part = {
    .mirrors_columns = jl_sim_dcs_b6_mirrors_columns,
    .mirrors_lines = jl_sim_dcs_b6_mirrors_lines,
    .ram_width = 320,
    .ram_height = 480,
    .formats = 1 << 1 | 1 << 5 | 1 << 6,
    .command_wait_ms = 5,
    .serial_16_bits = false,
    .id = {0x00, 0x00, 0x00},
    .vendor_id = {0x00, 0x94, 0x88},
    .blank_at_60_hz = 8,
};

const struct jl_emulated_part jl_emulated_ili9488 = {
    .name = "ili9488",
    .commands = &jl_sim_ili9488_commands,
    .machine = &jl_sim_dcs_machine,
    .strangers = jl_sim_dcs_strangers,
    .facts = &part,
    .state_bytes = DCS_STATE_BYTES(320, 480),
    .serial_cycle_ps = 66000,
    .parallel_cycle_ps = 30000,
    .serial_read_cycle_ps = 150000,
    .parallel_read_cycle_ps = 160000,
    .words = true,
    .no_6800 = true,
};
