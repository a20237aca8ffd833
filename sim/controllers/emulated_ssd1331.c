/*
 * Emulated ssd1331 (datasheet rev 1.2): 96x64, 16 bits. Segment 0 at the right on the usual module,
 * its subpixels red, green, blue; bit 2 of A0h exchanges them. Serial cycle 150 ns, parallel 130
 * ns. Colour depth, bits 7 and 6 of A0h: 00 is 256 colours (3-3-2), 01 is 65 536,
 * 10 the same in three bytes of six bits.
 */
#include "ssd_oled.h"

/* Opcodes first..last and their arguments: the command table. */
/* By the command table; others take all values, or are not told here. */
static const struct oled_range ranges[] = {
    {0x87, 0, 15}, {0xA1, 0, 63}, {0xA2, 0, 63}, {0xA8, 15, 63},
    {0xBB, 0, 62}, {0xBE, 0, 62}, {0, 0, 0},
};

static int unit_bytes(const struct oled_chip *chip) {
    return chip->remap >> 6 == 0 ? 1 : chip->remap & 0x80 ? 3 : 2;
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
    if (unit_bytes(chip) == 3) { /* six bits each, on the right; the RAM keeps five of the outer */
        const uint8_t *six = chip->unit;
        r = (six[0] >> 1 & 31u) << 3 | (six[0] >> 3 & 7u);
        g = (six[1] & 63u) << 2 | (six[1] >> 4 & 3u);
        b = (six[2] >> 1 & 31u) << 3 | (six[2] >> 3 & 7u);
    }
    bool exchanged = (chip->remap & 0x04) != 0;
    uint32_t color = exchanged ? b << 16 | g << 8 | r : r << 16 | g << 8 | b;
    row[chip->remap & 0x02 ? 95 - column : column] = color;
}

static void get_unit(const struct oled_chip *chip, const uint32_t *row, int column,
                     uint8_t *bytes) {
    uint32_t color = row[chip->remap & 0x02 ? 95 - column : column];
    bool exchanged = (chip->remap & 0x04) != 0;
    unsigned g = color >> 8 & 255;
    unsigned r = exchanged ? color & 255 : color >> 16, b = exchanged ? color >> 16 : color & 255;
    if (unit_bytes(chip) == 3) {
        bytes[0] = (uint8_t)(r >> 2);
        bytes[1] = (uint8_t)(g >> 2);
        bytes[2] = (uint8_t)(b >> 2);
    } else if (unit_bytes(chip) == 2) {
        bytes[0] = (uint8_t)((r & 0xF8) | g >> 5);
        bytes[1] = (uint8_t)((g << 3 & 0xE0) | b >> 3);
    } else {
        bytes[0] = (uint8_t)((r & 0xE0) | (g >> 3 & 0x1C) | b >> 6);
    }
}

static uint8_t brightness_of(const struct oled_chip *chip) {
    return chip->dimmed ? chip->dim_contrast[0] : chip->contrast[0];
}

/* ---- drawing commands: 21 line, 22 rectangle, 23 copy, 24 dim, 25 clear, 26 how ---- */

/* A place of the RAM by column and row, as pixels that are written reach it. */
static uint32_t *cell_at(struct oled_chip *chip, int column, int row) {
    return &chip->cells[row * 96 + (chip->remap & 0x02 ? 95 - column : column)];
}

/* Colours come as C, B, A with six bits each; of the outer ones the RAM keeps five. */
static void set_color(struct oled_chip *chip, const uint8_t *color) {
    unsigned v = (color[0] >> 1 & 31u) << 11 | (color[1] & 63u) << 5 | (color[2] >> 1 & 31u);
    chip->unit[0] = (uint8_t)(v >> 8);
    chip->unit[1] = (uint8_t)v;
}

static void put(struct oled_chip *chip, int column, int row, const uint8_t *color) {
    uint8_t remap = chip->remap;
    set_color(chip, color);
    chip->remap = (uint8_t)((remap & 0x3F) | 0x40); /* they are 16 bits, whatever pixels are */
    put_unit(chip, chip->cells + row * 96, column);
    chip->remap = remap;
}

static void draw_line(struct oled_chip *chip, const uint8_t *a) {
    int x = a[0], y = a[1], dx = a[2] - x, dy = a[3] - y;
    int step_x = dx < 0 ? -1 : 1, step_y = dy < 0 ? -1 : 1;
    dx *= step_x;
    dy *= step_y;
    for (int error = dx - dy;;) {
        put(chip, x, y, a + 4);
        if (x == a[2] && y == a[3]) {
            return;
        }
        int twice = 2 * error;
        if (twice > -dy) {
            error -= dy;
            x += step_x;
        }
        if (twice < dx) {
            error += dx;
            y += step_y;
        }
    }
}

static void draw_rectangle(struct oled_chip *chip, const uint8_t *a) {
    for (int y = a[1]; y <= a[3]; y++) {
        for (int x = a[0]; x <= a[2]; x++) {
            bool edge = y == a[1] || y == a[3] || x == a[0] || x == a[2];
            if (edge || chip->fills) {
                put(chip, x, y, edge ? a + 4 : a + 7);
            }
        }
    }
}

static void copy_area(struct oled_chip *chip, const uint8_t *a) {
    uint32_t from[96 * 64];
    for (int i = 0; i < 96 * 64; i++) {
        from[i] = *cell_at(chip, i % 96, i / 96);
    }
    for (int y = a[1]; y <= a[3]; y++) {
        for (int x = a[0]; x <= a[2]; x++) {
            int to_x = a[4] + x - a[0], to_y = a[5] + y - a[1];
            if (to_x < 96 && to_y < 64) {
                *cell_at(chip, to_x, to_y) =
                    chip->copies_reversed ? from[y * 96 + x] ^ 0xFFFFFFu : from[y * 96 + x];
            }
        }
    }
}

/* Dim: half of the light of each channel; clear: none. */
static void shade_area(struct oled_chip *chip, const uint8_t *a, bool clear) {
    for (int y = a[1]; y <= a[3]; y++) {
        for (int x = a[0]; x <= a[2]; x++) {
            uint32_t *cell = cell_at(chip, x, y);
            *cell = clear ? 0 : *cell >> 1 & 0x7F7F7Fu;
        }
    }
}

/* 27: columns a step, first row, rows, rows a step, interval. */
static void set_scroll(struct jl_device *device) {
    static const int frames[4] = {6, 10, 100, 200};
    const struct oled_chip *chip = device->state;
    const uint8_t *a = chip->arguments;
    const struct oled_scroll wanted = {.cells_a_step = chip->remap & 0x02 ? -a[0] : a[0],
                                       .rows_a_step = a[3],
                                       .first_row = a[1],
                                       .last_row = a[1] + a[2] - 1,
                                       .last_cell = 95,
                                       .frames = frames[a[4] & 3]};
    jl_sim_oled_scroll_set(device, &wanted, 96, 64);
}

/*
 * Drawing goes on behind the command. The datasheet gives no formula; taken: 50 ns for a pixel of
 * the area, which makes 0.3 ms for the whole RAM.
 */
static void keep_busy(struct jl_device *device) {
    struct oled_chip *chip = device->state;
    const uint8_t *a = chip->arguments;
    uint64_t wide = (uint64_t)(a[2] > a[0] ? a[2] - a[0] : a[0] - a[2]) + 1;
    uint64_t high = (uint64_t)(a[3] > a[1] ? a[3] - a[1] : a[1] - a[3]) + 1;
    uint64_t pixels = chip->command != 0x21 ? wide * high : wide > high ? wide : high;
    chip->drawn_ps = jl_board_now_ps(device->board) + pixels * 50000;
}

static void tell_busy(struct jl_device *device) {
    const struct oled_chip *chip = device->state;
    uint64_t now = jl_board_now_ps(device->board);
    if (now < chip->drawn_ps) {
        jl_sim_device_report(device, JL_SEVERITY_WARNING, JL_CODE_BUSY,
                             "drawing command %02X while the one before still draws, for another "
                             "%.0f us: it may be lost on the part",
                             chip->command, (double)(chip->drawn_ps - now) / 1e6);
    }
}

static void run_own(struct jl_device *device) {
    struct oled_chip *chip = device->state;
    const uint8_t *a = chip->arguments;
    bool area = chip->command != 0x21; /* its ends may lie either way round */
    if (chip->command == 0x26) {
        chip->fills = a[0] & 0x01;
        chip->copies_reversed = a[0] & 0x10;
        return;
    }
    if (chip->command == 0x27) {
        set_scroll(device);
    }
    if (chip->command < 0x21 || chip->command > 0x25) {
        return;
    }
    tell_busy(device);
    if (a[0] > 95 || a[2] > 95 || a[1] > 63 || a[3] > 63 ||
        (area && (a[0] > a[2] || a[1] > a[3]))) {
        jl_sim_device_report(
            device, JL_SEVERITY_ERROR, JL_CODE_WINDOW_RANGE,
            "drawing command %02X from %d,%d to %d,%d: expected columns 0..95, rows "
            "0..63%s; nothing is drawn",
            chip->command, a[0], a[1], a[2], a[3], area ? ", and an end not before the start" : "");
        return;
    }
    keep_busy(device);
    switch (chip->command) {
    case 0x21:
        draw_line(chip, a);
        break;
    case 0x22:
        draw_rectangle(chip, a);
        break;
    case 0x23:
        copy_area(chip, a);
        break;
    default:
        shade_area(chip, a, chip->command == 0x25);
        break;
    }
}

static const struct oled_part part = {
    .ram_width = 96,
    .ram_height = 64,
    .ranges = ranges,
    .unit_pixels = 1,
    .run_own = run_own,
    .arguments_as_data = false,
    .needs_write_opcode = false,
    .segment0_right = true,
    .split = true,
    .multiplex_opcode = 0xA8,
    .split_bit = 0x20,
    .vertical_bit = 0x01,
    .mirror_bit = 0x02,
    .has_colors = true,
    .red_first = 0x00,
    .normal_opcode = 0xA4,
    .all_off_opcode = 0xA6,
    .remap_after_reset = 0x40,
    .reset_us = 3,
    .light_ms = 100,
    .needs_master_configuration = true,
    .unit_bytes = unit_bytes,
    .put_unit = put_unit,
    .get_unit = get_unit,
    .brightness = brightness_of,
};

const struct jl_emulated_part jl_emulated_ssd1331 = {
    .name = "ssd1331",
    .commands = &jl_sim_ssd1331_commands,
    .machine = &jl_sim_oled_machine,
    .strangers = jl_sim_oled_strangers,
    .facts = &part,
    .state_bytes = OLED_STATE_BYTES(96, 64),
    .serial_cycle_ps = 150000,
    .parallel_cycle_ps = 130000,
    .words = true,
};
