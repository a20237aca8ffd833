/*
 * Emulated ssd1327 (datasheet rev 1.1): 128x128, 4 bits; a column address is a byte of two pixels.
 * Segment 0 at the right on the usual module. Bit 0 of A0h mirrors the column addresses, pairs
 * staying as they are; bit 1 exchanges the nibbles of a pair: without it the low nibble goes to
 * the even segment. Serial cycle 100 ns, parallel 300 ns, I2C 2.5 us.
 */
#include "ssd_oled.h"

/* Opcodes first..last and their arguments: the command table. */
/* By the command table; others take all values, or are not told here. */
static const struct oled_range ranges[] = {
    {0xA1, 0, 127}, {0xA2, 0, 127}, {0xA8, 15, 127}, {0xB6, 1, 15},
    {0xBC, 0, 31},  {0xBE, 0, 15},  {0, 0, 0},
};

static int unit_bytes(const struct oled_chip *chip) {
    (void)chip;
    return 1;
}

static void put_unit(struct oled_chip *chip, uint32_t *row, int column) {
    uint32_t high = chip->unit[0] >> 4, low = chip->unit[0] & 15;
    bool exchanged = (chip->remap & 0x02) != 0;
    int pair = chip->remap & 0x01 ? 63 - column : column;
    row[2 * pair] = (exchanged ? high : low) * 0x111111;
    row[2 * pair + 1] = (exchanged ? low : high) * 0x111111;
}

static void get_unit(const struct oled_chip *chip, const uint32_t *row, int column,
                     uint8_t *bytes) {
    int pair = chip->remap & 0x01 ? 63 - column : column, exchanged = (chip->remap & 0x02) != 0;
    bytes[0] = (uint8_t)((row[2 * pair + !exchanged] & 15) << 4 | (row[2 * pair + exchanged] & 15));
}

static uint8_t brightness_of(const struct oled_chip *chip) {
    return chip->contrast[0];
}

/* 26 right, 27 left: a dummy, first row, interval, last row, first and last column, a dummy. */
static void set_scroll(struct jl_device *device) {
    static const int frames[8] = {6, 32, 64, 256, 3, 4, 5, 2};
    const struct oled_chip *chip = device->state;
    const uint8_t *a = chip->arguments;
    if (chip->command != 0x26 && chip->command != 0x27) {
        return;
    }
    /* A step is a column address: two pixels, which a remap counts from the other end. */
    bool mirrored = chip->remap & 0x01;
    int first = mirrored ? 63 - a[5] : a[4], last = mirrored ? 63 - a[4] : a[5];
    bool up = (chip->command == 0x26) != mirrored;
    const struct oled_scroll wanted = {.cells_a_step = up ? 2 : -2,
                                       .first_row = a[1],
                                       .last_row = a[3],
                                       .first_cell = 2 * first,
                                       .last_cell = 2 * last + 1,
                                       .frames = frames[a[2] & 7]};
    jl_sim_oled_scroll_set(device, &wanted, 128, 128);
}

static const struct oled_part part = {
    .ram_width = 128,
    .ram_height = 128,
    .ranges = ranges,
    .unit_pixels = 2,
    .arguments_as_data = false,
    .needs_write_opcode = false,
    .segment0_right = true,
    .split = true,
    .multiplex_opcode = 0xA8,
    .split_bit = 0x40,
    .vertical_bit = 0x04,
    .mirror_bit = 0x01,
    .normal_opcode = 0xA4,
    .all_off_opcode = 0xA6,
    .reset_us = 100,
    .light_ms = 200,
    .unit_bytes = unit_bytes,
    .put_unit = put_unit,
    .get_unit = get_unit,
    .brightness = brightness_of,
    .run_own = set_scroll,
};

const struct jl_emulated_part jl_emulated_ssd1327 = {
    .name = "ssd1327",
    .commands = &jl_sim_ssd1327_commands,
    .machine = &jl_sim_oled_machine,
    .strangers = jl_sim_oled_strangers,
    .facts = &part,
    .state_bytes = OLED_STATE_BYTES(128, 128),
    .serial_cycle_ps = 100000,
    .parallel_cycle_ps = 300000,
    .i2c_cycle_ps = 2500000,
};
