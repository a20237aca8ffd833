/*
 * Emulated ssd1331 (datasheet rev 1.2): 96x64, 16 bits. Segment 0 at the right on the usual module,
 * its subpixels red, green, blue; bit 2 of A0h exchanges them. Serial cycle 150 ns, parallel 130
 * ns. Colour depth, bits 7 and 6 of A0h: 00 is 256 colours (3-3-2), 01 is 65 536.
 */
#include "ssd_oled.h"

/* Opcodes first..last and their arguments: the command table. */
static const struct oled_command commands[] = {
    {0x15, 0x15, 2},  {0x75, 0x75, 2}, {0x21, 0x21, 7}, {0x22, 0x22, 10}, {0x23, 0x23, 6},
    {0x24, 0x24, 4},  {0x25, 0x25, 4}, {0x26, 0x26, 1}, {0x27, 0x27, 5},  {0x2E, 0x2F, 0},
    {0x81, 0x83, 1},  {0x87, 0x87, 1}, {0x8A, 0x8C, 1}, {0xA0, 0xA0, 1},  {0xA1, 0xA1, 1},
    {0xA2, 0xA2, 1},  {0xA4, 0xA7, 0}, {0xA8, 0xA8, 1}, {0xAB, 0xAB, 5},  {0xAC, 0xAC, 0},
    {0xAD, 0xAD, 1},  {0xAE, 0xAF, 0}, {0xB0, 0xB0, 1}, {0xB1, 0xB1, 1},  {0xB3, 0xB3, 1},
    {0xB8, 0xB8, 32}, {0xB9, 0xB9, 0}, {0xBB, 0xBB, 1}, {0xBC, 0xBD, 0},  {0xBE, 0xBE, 1},
    {0xE3, 0xE3, 0},  {0xFD, 0xFD, 1}, {0, 0, 0},
};

static int unit_bytes(const struct oled_chip *chip) {
    return chip->remap >> 6 == 0 ? 1 : 2;
}

static void put_unit(struct oled_chip *chip, uint32_t *row, int column) {
    unsigned v = (unsigned)chip->unit[0] << 8 | chip->unit[1];
    uint32_t r = v >> 11, g = v >> 5 & 63, b = v & 31;
    r = r << 3 | r >> 2;
    g = g << 2 | g >> 4;
    b = b << 3 | b >> 2;
    if (unit_bytes(chip) == 1) { /* bits repeated from the top until 8 are full */
        uint32_t r3 = chip->unit[0] >> 5, g3 = chip->unit[0] >> 2 & 7, b2 = chip->unit[0] & 3;
        r = r3 << 5 | r3 << 2 | r3 >> 1;
        g = g3 << 5 | g3 << 2 | g3 >> 1;
        b = b2 * 85;
    }
    bool exchanged = (chip->remap & 0x04) != 0;
    uint32_t color = exchanged ? b << 16 | g << 8 | r : r << 16 | g << 8 | b;
    row[chip->remap & 0x02 ? 95 - column : column] = color;
}

static uint8_t brightness_of(const struct oled_chip *chip) {
    return chip->contrast[0];
}

static const struct oled_part part = {
    .ram_width = 96,
    .ram_height = 64,
    .commands = commands,
    .unit_pixels = 1,
    .no_effect = "\x21\x22\x23\x24\x25\x27\x2F\xAB\xAC",
    .arguments_as_data = false,
    .needs_write_opcode = false,
    .segment0_right = true,
    .split = true,
    .multiplex_opcode = 0xA8,
    .split_bit = 0x20,
    .vertical_bit = 0x01,
    .normal_opcode = 0xA4,
    .all_off_opcode = 0xA6,
    .remap_after_reset = 0x40,
    .reset_us = 3,
    .light_ms = 100,
    .needs_master_configuration = true,
    .unit_bytes = unit_bytes,
    .put_unit = put_unit,
    .brightness = brightness_of,
};

const struct jl_emulated_part jl_emulated_ssd1331 = {
    .name = "ssd1331",
    .machine = &jl_sim_oled_machine,
    .strangers = jl_sim_oled_strangers,
    .facts = &part,
    .state_bytes = OLED_STATE_BYTES(96, 64),
    .serial_cycle_ps = 150000,
    .parallel_cycle_ps = 130000,
    .words = true,
};
