/*
 * Emulated st7789, the V revision (datasheet V1.4): 240x320, 18 bits. Serial write cycle 66 ns,
 * parallel 66 ns (sections 7.4.2, 7.4.1). Frame rate by B2h and C6h: 10 MHz / ((320 + porches) *
 * (250 + 16 * setting)).
 */
#include "dcs.h"

/* Opcodes first..last, least and most arguments. */
static uint64_t line_ps(const struct dcs_chip *chip) {
    uint64_t setting = chip->kept_count[0xC6] ? chip->kept[0xC6][0] & 0x1F : 0x0F;
    return (250 + 16 * setting) * 100000;
}

/* Back and front porch together: 12 lines each after reset. */
static int blank_lines(const struct dcs_chip *chip) {
    bool set = chip->kept_count[0xB2] >= 2;
    return set ? (chip->kept[0xB2][0] & 0x7F) + (chip->kept[0xB2][1] & 0x7F) : 24;
}

/* RAM control: bit 3 of the second argument, for 16 bits a pixel. */
static bool low_byte_first(const struct dcs_chip *chip) {
    return chip->kept_count[0xB0] >= 2 && chip->kept[0xB0][1] & 0x08;
}

static const struct dcs_part part = {
    .low_byte_first = low_byte_first,
    .ram_width = 240,
    .ram_height = 320,
    .formats = 1 << 3 | 1 << 5 | 1 << 6,
    .command_wait_ms = 5,
    .serial_16_bits = true,
    .id = {0x85, 0x85, 0x52},
    .line_ps = line_ps,
    .blank_lines = blank_lines,
};

const struct jl_emulated_part jl_emulated_st7789 = {
    .name = "st7789",
    .commands = &jl_sim_st7789_commands,
    .machine = &jl_sim_dcs_machine,
    .strangers = jl_sim_dcs_strangers,
    .facts = &part,
    .state_bytes = DCS_STATE_BYTES(240, 320),
    .serial_cycle_ps = 66000,
    .parallel_cycle_ps = 66000,
    .serial_read_cycle_ps = 150000,
    .parallel_read_cycle_ps = 160000,
    .words = true,
    .no_6800 = true,
};
