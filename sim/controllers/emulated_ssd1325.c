/*
 * Emulated ssd1325: 128x80, 4 bits; a column address is a byte of two pixels. Segment 0 at the left
 * on the usual module; its 64 rows hang on COM 12 to 75, so that A0 50 with A2 4C is upright. Bit 0
 * of A0h mirrors the column addresses, pairs staying as they are; bit 1 exchanges the nibbles of a
 * pair: without it the high nibble goes to the even segment. Drawing commands are taken and not
 * shown.
 */
#include "ssd_oled.h"

static const struct oled_range ranges[] = {
    {0x81, 0, 127}, {0xA1, 0, 79},  {0xA2, 0, 79}, {0xA8, 15, 79},
    {0xAD, 2, 3},   {0xBC, 0, 255}, {0xBE, 0, 31}, {0, 0, 0},
};

static int first_com(int rows) {
    return rows <= 64 ? 12 : 0;
}

static int unit_bytes(const struct oled_chip *chip) {
    (void)chip;
    return 1;
}

/* The pair of pixels in the RAM that a column address means, and whether its high nibble is the
 * right one. */
static int pair_of(const struct oled_chip *chip, int column, int *exchanged) {
    *exchanged = (chip->remap & 0x02) != 0;
    return 2 * (chip->remap & 0x01 ? 63 - column : column);
}

static void put_unit(struct oled_chip *chip, uint32_t *row, int column) {
    int exchanged, at = pair_of(chip, column, &exchanged);
    row[at + exchanged] = (chip->unit[0] >> 4) * 0x111111u;
    row[at + !exchanged] = (chip->unit[0] & 15) * 0x111111u;
}

static void get_unit(const struct oled_chip *chip, const uint32_t *row, int column,
                     uint8_t *bytes) {
    int exchanged, at = pair_of(chip, column, &exchanged);
    bytes[0] = (uint8_t)((row[at + exchanged] & 15) << 4 | (row[at + !exchanged] & 15));
}

/* Seven bits of contrast, and a quarter, half or all of the current. */
static uint8_t brightness_of(const struct oled_chip *chip) {
    unsigned whole = (chip->contrast[0] & 127u) * 255 / 127;
    return (uint8_t)(chip->master == 0 ? whole / 4 : chip->master == 1 ? whole / 2 : whole);
}

static void run_own(struct jl_device *device) {
    struct oled_chip *chip = device->state;
    if (chip->command >= 0x84 && chip->command <= 0x86) {
        chip->master = chip->command - 0x84;
    } else if (chip->command >= 0x23 && chip->command <= 0x26) {
        jl_sim_device_report(device, JL_SEVERITY_NOTE, JL_CODE_NOT_SHOWN,
                             "command %02X draws by itself, which is not shown here",
                             chip->command);
    }
}

static const struct oled_part part = {
    .ram_width = 128,
    .ram_height = 80,
    .ranges = ranges,
    .unit_pixels = 2,
    .split = true,
    .multiplex_opcode = 0xA8,
    .split_bit = 0x40,
    .vertical_bit = 0x04,
    .mirror_bit = 0x01,
    .first_com = first_com,
    .normal_opcode = 0xA4,
    .all_off_opcode = 0xA6,
    .reset_us = 3,
    .light_ms = 100,
    .unit_bytes = unit_bytes,
    .put_unit = put_unit,
    .get_unit = get_unit,
    .brightness = brightness_of,
    .run_own = run_own,
};

const struct jl_emulated_part jl_emulated_ssd1325 = {
    .name = "ssd1325",
    .commands = &jl_sim_ssd1325_commands,
    .machine = &jl_sim_oled_machine,
    .strangers = jl_sim_oled_strangers,
    .facts = &part,
    .state_bytes = OLED_STATE_BYTES(128, 80),
    .serial_cycle_ps = 250000,
    .parallel_cycle_ps = 300000,
    .i2c_cycle_ps = 2500000,
};
