/*
 * Emulated ili9163: 132x162, 18 bits, or less as strapped. Frame rate by B1h: 200 kHz /
 * ((first argument + 4) * (lines + second)). B7h and B8h mirror sources and gates. Write cycles
 * 66 ns on SPI, 100 ns on 8080.
 */
#include "dcs.h"

static uint64_t line_ps(const struct dcs_chip *chip) {
    uint64_t clocks = 4u + (chip->kept_count[0xB1] ? chip->kept[0xB1][0] & 0x1F : 14u);
    return 1000000000000u / 200000 * clocks;
}

static int blank_lines(const struct dcs_chip *chip) {
    return chip->kept_count[0xB1] == 2 ? chip->kept[0xB1][1] & 0x3F : 20;
}

static bool mirrors_columns(const struct dcs_chip *chip) {
    return chip->kept[0xB7][0] & 1;
}

static bool mirrors_lines(const struct dcs_chip *chip) {
    return chip->kept[0xB8][0] & 1;
}

static const struct dcs_part part = {
    .ram_width = 132,
    .ram_height = 162,
    .formats = 1 << 3 | 1 << 5 | 1 << 6,
    .command_wait_ms = 120,
    .serial_16_bits = true,
    .mirrors_columns = mirrors_columns,
    .mirrors_lines = mirrors_lines,
    .id = {0x54, 0x80, 0x66},
    .line_ps = line_ps,
    .blank_lines = blank_lines,
};

const struct jl_emulated_part jl_emulated_ili9163 = {
    .name = "ili9163",
    .commands = &jl_sim_ili9163_commands,
    .machine = &jl_sim_dcs_machine,
    .strangers = jl_sim_dcs_strangers,
    .facts = &part,
    .state_bytes = DCS_STATE_BYTES(132, 162),
    .serial_cycle_ps = 66000,
    .parallel_cycle_ps = 100000,
    .serial_read_cycle_ps = 150000,
    .parallel_read_cycle_ps = 160000,
    .words = true,
    .no_6800 = true,
};
