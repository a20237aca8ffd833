/*
 * Emulated ili9488 (datasheet V1.0): 320x480, 18 bits. On serial buses it takes 18 bits a pixel (or
 * 3), never 16. Serial write cycle 66 ns where sources give 15 to 20 MHz, parallel 30 ns.
 */
#include "dcs.h"

/* Opcodes first..last, least and most arguments. */
static const struct dcs_vendor_command vendor[] = {
    {0xB0, 0xB0, 1, 1},   {0xB1, 0xB1, 1, 2},   {0xB2, 0xB2, 1, 2}, {0xB3, 0xB3, 1, 2},
    {0xB4, 0xB4, 1, 1},   {0xB5, 0xB5, 4, 4},   {0xB6, 0xB6, 2, 3}, {0xB7, 0xB7, 1, 1},
    {0xBE, 0xBE, 2, 2},   {0xC0, 0xC0, 2, 2},   {0xC1, 0xC1, 1, 1}, {0xC2, 0xC4, 1, 1},
    {0xC5, 0xC5, 3, 4},   {0xC6, 0xC6, 1, 1},   {0xC8, 0xCF, 1, 1}, {0xD0, 0xD0, 2, 2},
    {0xD1, 0xD1, 3, 3},   {0xD2, 0xD3, 0, 0},   {0xD7, 0xD7, 0, 0}, {0xE0, 0xE1, 15, 15},
    {0xE2, 0xE2, 16, 16}, {0xE3, 0xE3, 64, 64}, {0xE9, 0xE9, 1, 1}, {0xF2, 0xF2, 5, 9},
    {0xF7, 0xF7, 4, 4},   {0xF8, 0xF8, 2, 2},   {0xF9, 0xF9, 1, 1}, {0xFC, 0xFC, 2, 2},
    {0, 0, 0, 0},
};

/* 60 Hz: the usual setting; the register's formula is not emulated. */
static uint64_t line_ps(const struct dcs_chip *chip) {
    return 1000000000000u / 60 / (uint64_t)(chip->height + 8);
}

static int blank_lines(const struct dcs_chip *chip) {
    (void)chip;
    return 8;
}

static const struct dcs_part part = {
    .ram_width = 320,
    .ram_height = 480,
    .vendor = vendor,
    .has_all_pixels = true,
    .formats = 1 << 1 | 1 << 5 | 1 << 6,
    .command_wait_ms = 5,
    .serial_16_bits = false,
    .id = {0x00, 0x00, 0x00},
    .vendor_id = {0x00, 0x94, 0x88},
    .line_ps = line_ps,
    .blank_lines = blank_lines,
};

const struct jl_emulated_part jl_emulated_ili9488 = {
    .name = "ili9488",
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
