/*
 * Emulated st7735 R and S (datasheet V2.1): 132x162, 18 bits, or less as strapped. Serial write
 * cycle 66 ns, parallel 66 ns (section 8). After 01h and 11h it wants 120 ms. Frame rate by B1h:
 * 850 kHz /
 * ((2 * clocks + 40) * (lines + porches)).
 */
#include "dcs.h"

/* Opcodes first..last, least and most arguments. */
static uint64_t line_ps(const struct dcs_chip *chip) {
    uint64_t clocks = chip->kept_count[0xB1] ? chip->kept[0xB1][0] & 0x0F : 1;
    return 1000000000000u / 850000 * (2 * clocks + 40);
}

static int blank_lines(const struct dcs_chip *chip) {
    bool set = chip->kept_count[0xB1] == 3;
    return set ? (chip->kept[0xB1][1] & 0x3F) + (chip->kept[0xB1][2] & 0x3F) : 0x2C + 0x2D;
}

static const struct dcs_part part = {
    .ram_width = 132,
    .ram_height = 162,
    .formats = 1 << 3 | 1 << 5 | 1 << 6,
    .command_wait_ms = 120,
    .serial_16_bits = true,
    .id = {0x7C, 0x89, 0xF0},
    .line_ps = line_ps,
    .blank_lines = blank_lines,
};

const struct jl_emulated_part jl_emulated_st7735 = {
    .name = "st7735",
    .commands = &jl_sim_st7735_commands,
    .machine = &jl_sim_dcs_machine,
    .strangers = jl_sim_dcs_strangers,
    .facts = &part,
    .state_bytes = DCS_STATE_BYTES(132, 162),
    .serial_cycle_ps = 66000,
    .parallel_cycle_ps = 66000,
    .serial_read_cycle_ps = 150000,
    .parallel_read_cycle_ps = 160000,
    .words = true,
};
