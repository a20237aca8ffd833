/*
 * Emulated ssd1322 (datasheet rev 1.2): 480x128, 4 bits; a column address is two bytes of four
 * pixels. Segment 0 at the left on the usual module. Bit 2 of A0h set puts the first high
 * nibble at the lowest segment of its group, cleared it turns the group around. Bit 1 mirrors the
 * outputs one by one, not in groups: of the pair 14 and 06, which show the same bytes half a turn
 * apart, both have bit 2 set. Serial cycle 100 ns, parallel 300 ns.
 */
#include "ssd_oled.h"

/* Opcodes first..last and their arguments: the command table. */
/* By the command table; others take all values, or are not told here. */
static const struct oled_range ranges[] = {
    {0xA1, 0, 127}, {0xA2, 0, 127}, {0xB6, 0, 15},   {0xBB, 0, 31},
    {0xBE, 0, 7},   {0xC7, 0, 15},  {0xCA, 15, 127}, {0, 0, 0},
};

static int unit_bytes(const struct oled_chip *chip) {
    (void)chip;
    return 2;
}

static void put_unit(struct oled_chip *chip, uint32_t *row, int column) {
    const uint8_t *b = chip->unit;
    const uint32_t pixels[4] = {b[0] >> 4, b[0] & 15, b[1] >> 4, b[1] & 15};
    for (int i = 0; i < 4; i++) {
        int segment = 4 * column + (chip->remap & 0x04 ? i : 3 - i);
        row[chip->remap & 0x02 ? 479 - segment : segment] = pixels[i] * 0x111111;
    }
}

static void get_unit(const struct oled_chip *chip, const uint32_t *row, int column,
                     uint8_t *bytes) {
    bytes[0] = bytes[1] = 0;
    for (int i = 0; i < 4; i++) {
        int segment = 4 * column + (chip->remap & 0x04 ? i : 3 - i);
        uint32_t grey = row[chip->remap & 0x02 ? 479 - segment : segment] & 15;
        bytes[i / 2] = (uint8_t)((unsigned)bytes[i / 2] << 4 | grey);
    }
}

static uint8_t brightness_of(const struct oled_chip *chip) {
    return (uint8_t)(chip->contrast[0] * (chip->master + 1) / 16); /* C7: sixteenths */
}

static const struct oled_part part = {
    .ram_width = 480,
    .ram_height = 128,
    .ranges = ranges,
    .unit_pixels = 4,
    .arguments_as_data = true,
    .needs_write_opcode = true,
    .segment0_right = false,
    .split = false,
    .multiplex_opcode = 0xCA,
    .split_bit = 0x20,
    .vertical_bit = 0x01,
    .mirror_bit = 0x02,
    .normal_opcode = 0xA6,
    .all_off_opcode = 0xA4,
    .reset_us = 100,
    .light_ms = 200,
    .unit_bytes = unit_bytes,
    .put_unit = put_unit,
    .get_unit = get_unit,
    .brightness = brightness_of,
};

const struct jl_emulated_part jl_emulated_ssd1322 = {
    .name = "ssd1322",
    .commands = &jl_sim_ssd1322_commands,
    .machine = &jl_sim_oled_machine,
    .strangers = jl_sim_oled_strangers,
    .facts = &part,
    .state_bytes = OLED_STATE_BYTES(480, 128),
    .serial_cycle_ps = 100000,
    .parallel_cycle_ps = 300000,
};
