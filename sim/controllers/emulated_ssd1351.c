/*
 * Emulated ssd1351 (datasheet rev 1.5): 128x128, 18 bits. Segment 0 at the left on the usual
 * module, and its three subpixels A, B, C are red, green, blue; the first bits of a pixel are
 * called C and go to A only when bit 2 of A0h exchanges them. Serial cycle 50 ns, parallel 300 ns.
 *
 * Colour depth, bits 7 and 6 of A0h: 00 and 01 are 65 536 colours, 10 and 11 are 262 144 (table
 * 8-1); there is no 256-colour mode.
 */
#include "ssd_oled.h"

/* Opcodes first..last and their arguments: the command table. */
/* By the command table; others take all values, or are not told here. */
static const struct oled_range ranges[] = {
    {0xA1, 0, 127}, {0xA2, 0, 127}, {0xB6, 1, 15},   {0xBB, 0, 31},
    {0xBE, 0, 7},   {0xC7, 0, 15},  {0xCA, 15, 127}, {0, 0, 0},
};

static int unit_bytes(const struct oled_chip *chip) {
    return chip->remap & 0x80 ? 3 : 2;
}

static uint32_t widen(unsigned value, unsigned bits) {
    return bits == 5 ? value << 3 | value >> 2 : value << 2 | value >> 4;
}

static void put_unit(struct oled_chip *chip, uint32_t *row, int column) {
    const uint8_t *b = chip->unit;
    unsigned v = (unsigned)b[0] << 8 | b[1];
    uint32_t c = widen(v >> 11, 5), mid = widen(v >> 5 & 63, 6), a = widen(v & 31, 5);
    if (unit_bytes(chip) == 3) { /* six bits each, on the right */
        c = widen(b[0] & 63, 6);
        mid = widen(b[1] & 63, 6);
        a = widen(b[2] & 63, 6);
    }
    bool exchanged = (chip->remap & 0x04) != 0;
    uint32_t red = exchanged ? c : a, blue = exchanged ? a : c;
    row[chip->remap & 0x02 ? 127 - column : column] = red << 16 | mid << 8 | blue;
}

static void get_unit(const struct oled_chip *chip, const uint32_t *row, int column,
                     uint8_t *bytes) {
    uint32_t color = row[chip->remap & 0x02 ? 127 - column : column];
    bool exchanged = (chip->remap & 0x04) != 0;
    unsigned red = color >> 16, mid = color >> 8 & 255, blue = color & 255;
    unsigned c = exchanged ? red : blue, a = exchanged ? blue : red;
    if (unit_bytes(chip) == 3) {
        bytes[0] = (uint8_t)(c >> 2);
        bytes[1] = (uint8_t)(mid >> 2);
        bytes[2] = (uint8_t)(a >> 2);
    } else {
        bytes[0] = (uint8_t)((c & 0xF8) | mid >> 5);
        bytes[1] = (uint8_t)((mid << 3 & 0xE0) | a >> 3);
    }
}

static uint8_t brightness_of(const struct oled_chip *chip) {
    return (uint8_t)(chip->contrast[0] * (chip->master + 1) / 16); /* C7: sixteenths */
}

/* 96: how (1..63 towards segment 127, from 64 on towards 0), first row, rows, a 0, the interval. */
static void set_scroll(struct jl_device *device) {
    /* "Test, normal, slow, slowest" says the datasheet; the numbers are taken here. */
    static const int frames[4] = {1, 6, 12, 24};
    const struct oled_chip *chip = device->state;
    const uint8_t *a = chip->arguments;
    if (chip->command != 0x96) {
        return;
    }
    const struct oled_scroll wanted = {.cells_a_step = a[0] == 0   ? 0
                                                       : a[0] < 64 ? 1
                                                                   : -1,
                                       .first_row = a[1],
                                       .last_row = a[1] + a[2] - 1,
                                       .last_cell = 127,
                                       .frames = frames[a[4] & 3]};
    jl_sim_oled_scroll_set(device, &wanted, 128, 128);
}

static const struct oled_part part = {
    .ram_width = 128,
    .ram_height = 128,
    .ranges = ranges,
    .unit_pixels = 1,
    .arguments_as_data = true,
    .needs_write_opcode = true,
    .segment0_right = false,
    .split = true,
    .multiplex_opcode = 0xCA,
    .split_bit = 0x20,
    .vertical_bit = 0x01,
    .mirror_bit = 0x02,
    .has_colors = true,
    .red_first = 0x04,
    .normal_opcode = 0xA6,
    .all_off_opcode = 0xA4,
    .offset_after_reset = 0x60,
    .remap_after_reset = 0x40,
    .reset_us = 2,
    .light_ms = 200,
    .locked_opcodes = {0xA2, 0xB1, 0xB3, 0xBB, 0xBE, 0xC1},
    .unit_bytes = unit_bytes,
    .put_unit = put_unit,
    .get_unit = get_unit,
    .brightness = brightness_of,
    .run_own = set_scroll,
};

const struct jl_emulated_part jl_emulated_ssd1351 = {
    .name = "ssd1351",
    .commands = &jl_sim_ssd1351_commands,
    .machine = &jl_sim_oled_machine,
    .strangers = jl_sim_oled_strangers,
    .facts = &part,
    .state_bytes = OLED_STATE_BYTES(128, 128),
    .serial_cycle_ps = 50000,
    .parallel_cycle_ps = 300000,
    .words = true,
};
