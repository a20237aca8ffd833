/*
 * Emulated ili9341 (datasheet V1.11): 240x320, 18 bits. Serial write cycle 100 ns (section 18.3.4),
 * parallel 66 ns (18.3.1). Frame rate by B1h: 615 kHz / (division * clocks a line * lines).
 */
#include "dcs.h"

/* Opcodes first..last, least and most arguments. */
static uint64_t line_ps(const struct dcs_chip *chip) {
    bool set = chip->kept_count[0xB1] == 2;
    uint64_t division = set ? 1u << (chip->kept[0xB1][0] & 3) : 1;
    uint64_t clocks = set ? chip->kept[0xB1][1] & 0x1F : 0x1B;
    return 1000000000000u / 615000 * division * (clocks < 16 ? 16 : clocks);
}

static int blank_lines(const struct dcs_chip *chip) {
    (void)chip;
    return 4;
}

/* Interface control: bit 5 of the third argument, for 16 bits a pixel in bytes. */
static bool low_byte_first(const struct dcs_chip *chip) {
    return chip->kept_count[0xF6] >= 3 && chip->kept[0xF6][2] & 0x20;
}

static const struct dcs_part part = {
    .mirrors_columns = jl_sim_dcs_b6_mirrors_columns,
    .mirrors_lines = jl_sim_dcs_b6_mirrors_lines,
    .low_byte_first = low_byte_first,
    .ram_width = 240,
    .ram_height = 320,
    .formats = 1 << 5 | 1 << 6,
    .command_wait_ms = 5,
    .serial_16_bits = true,
    .id = {0x00, 0x00, 0x00},
    .vendor_id = {0x00, 0x93, 0x41},
    .line_ps = line_ps,
    .blank_lines = blank_lines,
};

const struct jl_emulated_part jl_emulated_ili9341 = {
    .name = "ili9341",
    .commands = &jl_sim_ili9341_commands,
    .machine = &jl_sim_dcs_machine,
    .strangers = jl_sim_dcs_strangers,
    .facts = &part,
    .state_bytes = DCS_STATE_BYTES(240, 320),
    .serial_cycle_ps = 100000,
    .parallel_cycle_ps = 66000,
    .serial_read_cycle_ps = 150000,
    .parallel_read_cycle_ps = 160000,
    .words = true,
    .no_6800 = true,
};
