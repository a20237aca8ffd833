/*
 * Emulated ili9225: 176x220, 16 bits; registers of 16 bits, whose index is two bytes with D/C low
 * and whose value is two bytes with D/C high. Written from its instruction list.
 *
 * The usual module, seen from the front: source 175 at the left (SS = 1), gate 0 at the top; pixels
 * that begin with red want BGR = 1; normally white, so that REV = 1 shows the RAM as it is.
 *
 * Taken where the list leaves room:
 *  - An address outside the window is reported, and pixels go to the window's first corner.
 *  - Supply: dark while the outputs have no current (10h, bits 11 to 8), in standby (STB), and
 * until 07h has D1, D0 and GON; the other registers of the supply are not judged.
 *  - Writing past the window goes on at its first corner.
 */
#include <stddef.h>
#include <string.h>

#include "../device.h"
#include "jadelamp/sim/emulators.h"

enum { COLUMNS = 176, ROWS = 220, REGISTERS = 256 };

struct ili9225 {
    uint16_t registers[REGISTERS];
    int x, y; /* where the next pixel goes */
    uint8_t index, half;
    bool index_half, value_half, writing, known;
    bool was_on, in_reset, reset_reported, recovery_reported, outside_reported;
    uint64_t reset_edge_ps, deaf_until_ps;
    uint16_t ram[ROWS][COLUMNS];
};

static struct ili9225 *chip_of(struct jl_device *device) {
    return device->state;
}

static bool fits(const struct jl_emulated_part *part, const struct jl_glass *glass) {
    (void)part;
    return glass->column_offset + glass->width <= COLUMNS &&
           glass->row_offset + glass->height <= ROWS && !glass->ram_width && !glass->ram_height;
}

static void load_reset_values(struct ili9225 *chip) {
    uint64_t edge = chip->reset_edge_ps;
    memset(chip, 0, offsetof(struct ili9225, ram));
    chip->reset_edge_ps = edge;
    chip->registers[0x01] = 0x001C;
    chip->registers[0x03] = 0x0030;
    chip->registers[0x36] = COLUMNS - 1;
    chip->registers[0x38] = ROWS - 1;
}

static void power_on(struct jl_device *device) {
    struct ili9225 *chip = chip_of(device);
    jl_sim_device_noise(device, (uint8_t *)chip->ram, sizeof chip->ram);
    load_reset_values(chip);
}

/* ---- memory ---- */

static bool counts_right(const struct ili9225 *chip) {
    return chip->registers[0x03] & 0x10;
}

static bool counts_down(const struct ili9225 *chip) {
    return chip->registers[0x03] & 0x20;
}

static bool by_columns(const struct ili9225 *chip) {
    return chip->registers[0x03] & 0x08;
}

static int least(int a, int b) {
    return a < b ? a : b;
}

/* The window as it is used: registers beyond the RAM are cut. */
static void window_of(const struct ili9225 *chip, int *first_x, int *last_x, int *first_y,
                      int *last_y) {
    *last_x = least(chip->registers[0x36] & 0xFF, COLUMNS - 1);
    *first_x = least(chip->registers[0x37] & 0xFF, *last_x);
    *last_y = least(chip->registers[0x38] & 0xFF, ROWS - 1);
    *first_y = least(chip->registers[0x39] & 0xFF, *last_y);
}

/* One step along an axis; true: it went around. */
static bool step(int *at, int first, int last, bool up) {
    bool around = *at == (up ? last : first);
    *at = around ? (up ? first : last) : *at + (up ? 1 : -1);
    return around;
}

static void take_pixel(struct jl_device *device, uint16_t pixel) {
    struct ili9225 *chip = chip_of(device);
    int first_x, last_x, first_y, last_y;
    window_of(chip, &first_x, &last_x, &first_y, &last_y);
    if (chip->x < first_x || chip->x > last_x || chip->y < first_y || chip->y > last_y) {
        if (!chip->outside_reported) {
            chip->outside_reported = true;
            jl_sim_device_report(device, JL_SEVERITY_ERROR, JL_CODE_ADDRESS_RANGE,
                                 "address %d, %d (20, 21) lies outside the window, columns %d to "
                                 "%d and rows %d to %d (36 to 39)",
                                 chip->x, chip->y, first_x, last_x, first_y, last_y);
        }
        chip->x = counts_right(chip) ? first_x : last_x;
        chip->y = counts_down(chip) ? first_y : last_y;
    }
    uint16_t *place = &chip->ram[chip->y][chip->x];
    jl_sim_stored(device, 1, *place != pixel);
    *place = pixel;
    if (by_columns(chip)) {
        if (step(&chip->y, first_y, last_y, counts_down(chip))) {
            step(&chip->x, first_x, last_x, counts_right(chip));
        }
    } else if (step(&chip->x, first_x, last_x, counts_right(chip))) {
        step(&chip->y, first_y, last_y, counts_down(chip));
    }
}

/* ---- registers ---- */

static bool is_on(const struct ili9225 *chip) {
    return (chip->registers[0x07] & 0x13) == 0x13;
}

static void expect_within(struct jl_device *device, uint16_t value, int limit) {
    if (value >= limit) {
        jl_sim_device_report(device, JL_SEVERITY_ERROR, JL_CODE_ARGUMENT_VALUE,
                             "register %02X: %d, expected 0 to %d", chip_of(device)->index, value,
                             limit - 1);
    }
}

static void set_register(struct jl_device *device, uint16_t value) {
    struct ili9225 *chip = chip_of(device);
    bool was_on = is_on(chip);
    chip->registers[chip->index] = value;
    switch (chip->index) {
    case 0x01:
    case 0x03:
        jl_sim_judge_anew(device);
        break;
    case 0x07:
        chip->was_on |= is_on(chip);
        if (is_on(chip) && !was_on) {
            jl_sim_judge_on(device);
        }
        break;
    case 0x20:
        expect_within(device, value, COLUMNS);
        chip->x = value;
        break;
    case 0x21:
        expect_within(device, value, ROWS);
        chip->y = value;
        break;
    case 0x36:
    case 0x37:
        jl_sim_window_end(device);
        expect_within(device, value, COLUMNS);
        break;
    case 0x38:
    case 0x39:
        jl_sim_window_end(device);
        expect_within(device, value, ROWS);
        break;
    default:
        break;
    }
}

static void take_index(struct jl_device *device, uint8_t byte) {
    struct ili9225 *chip = chip_of(device);
    if (!chip->index_half) {
        if (chip->value_half) {
            chip->value_half = false;
            jl_sim_device_report(device, JL_SEVERITY_ERROR, JL_CODE_PIXEL_CUT,
                                 "the last value for register %02X was one byte: it has two",
                                 chip->index);
        }
        chip->index_half = true;
        chip->half = byte;
        return;
    }
    chip->index_half = false;
    if (chip->half) {
        jl_sim_device_report(device, JL_SEVERITY_ERROR, JL_CODE_UNKNOWN_COMMAND,
                             "index %02X%02X: no such register; an index is two bytes with D/C "
                             "low, 00 first",
                             chip->half, byte);
        chip->known = chip->writing = false;
        return;
    }
    chip->index = byte;
    chip->known = jl_sim_take_opcode(device, byte) != NULL;
    chip->writing = byte == 0x22;
    if (chip->writing) {
        jl_sim_window_end(device);
    }
}

static void take_value(struct jl_device *device, uint8_t byte) {
    struct ili9225 *chip = chip_of(device);
    if (chip->index_half) {
        chip->index_half = false;
        jl_sim_device_report(device, JL_SEVERITY_ERROR, JL_CODE_ARGUMENT_COUNT,
                             "index %02X was one byte: it has two, 00 first", chip->half);
    }
    if (!chip->value_half) {
        chip->value_half = true;
        chip->half = byte;
        return;
    }
    chip->value_half = false;
    uint16_t value = (uint16_t)(chip->half << 8 | byte);
    if (chip->writing) {
        take_pixel(device, value);
    } else if (chip->known) {
        set_register(device, value);
    }
}

/* ---- pins and buses ---- */

static void reset(struct jl_device *device, bool low) {
    struct ili9225 *chip = chip_of(device);
    uint64_t now = jl_board_now_ps(device->board);
    if (!low && jl_sim_too_short(now - chip->reset_edge_ps, 10000000)) {
        jl_sim_device_report(device, JL_SEVERITY_WARNING, JL_CODE_RESET_TOO_SHORT,
                             "reset was low for %.1f us, at least 10 us are needed",
                             (double)(now - chip->reset_edge_ps) / 1e6);
    }
    load_reset_values(chip);
    chip->reset_edge_ps = now;
    chip->in_reset = low;
    chip->deaf_until_ps = low ? 0 : now + 1000000000;
}

static bool listens(struct jl_device *device) {
    struct ili9225 *chip = chip_of(device);
    if (chip->in_reset && !chip->reset_reported) {
        chip->reset_reported = true;
        jl_sim_device_report(device, JL_SEVERITY_ERROR, JL_CODE_RESET_HELD,
                             "bytes arrive while the reset pin is low");
    }
    bool deaf = jl_board_now_ps(device->board) < chip->deaf_until_ps;
    if (deaf && !chip->recovery_reported) {
        chip->recovery_reported = true;
        jl_sim_device_report(device, JL_SEVERITY_ERROR, JL_CODE_RESET_RECOVERY,
                             "bytes arrive less than 1 ms after reset: they are lost");
    }
    return !chip->in_reset && !deaf;
}

/* A transfer begins with a whole index or value. */
static void selected(struct jl_device *device) {
    chip_of(device)->index_half = false;
}

static void write(struct jl_device *device, const uint8_t *bytes, size_t count, bool data) {
    struct ili9225 *chip = chip_of(device);
    if (!listens(device)) {
        return;
    }
    for (size_t i = 0; i < count; i++) {
        device->at = i;
        if (data) {
            take_value(device, bytes[i]);
        } else {
            take_index(device, bytes[i]);
        }
    }
    if (data && chip->writing) {
        int first_x, last_x, first_y, last_y;
        window_of(chip, &first_x, &last_x, &first_y, &last_y);
        jl_sim_judge_pixels(device, count, 16, is_on(chip));
        jl_sim_window_data(device, count, last_x - first_x + 1, last_y - first_y + 1, 16);
    }
}

/* ---- the glass ---- */

/* SS = 1 and GS = 0 are those of the usual glass. */
static void ram_behind(const struct ili9225 *chip, const struct jl_glass *glass, int x, int y,
                       int *column, int *row) {
    bool mirrored_x = glass->mirrored_x != !(chip->registers[0x01] & 0x0100);
    bool mirrored_y = glass->mirrored_y != ((chip->registers[0x01] & 0x0200) != 0);
    int output_x = glass->column_offset + x, output_y = glass->row_offset + y;
    *column = mirrored_x ? COLUMNS - 1 - output_x : output_x;
    *row = mirrored_y ? ROWS - 1 - output_y : output_y;
}

static bool is_negative(const struct jl_device *device) {
    const struct ili9225 *chip = device->state;
    return !(chip->registers[0x07] & 0x04) != device->glass.ips;
}

static bool is_exchanged(const struct jl_device *device) {
    const struct ili9225 *chip = device->state;
    return !(chip->registers[0x03] & 0x1000) != device->glass.bgr;
}

static void show(struct jl_device *device, struct jl_picture *picture) {
    const struct ili9225 *chip = chip_of(device);
    uint8_t flip = is_negative(device) ? 255 : 0;
    int red = is_exchanged(device) ? 2 : 0;
    for (int y = 0; y < device->glass.height; y++) {
        for (int x = 0; x < device->glass.width; x++) {
            int column, row;
            ram_behind(chip, &device->glass, x, y, &column, &row);
            unsigned pixel = chip->ram[row][column];
            unsigned r = pixel >> 11, g = pixel >> 5 & 63, b = pixel & 31;
            uint8_t *at = jl_picture_at(picture, x, y);
            at[red] = (uint8_t)((r << 3 | r >> 2) ^ flip);
            at[1] = (uint8_t)((g << 2 | g >> 4) ^ flip);
            at[2 - red] = (uint8_t)((b << 3 | b >> 2) ^ flip);
        }
    }
}

/* A column and a row as the directions of 03h count them. */
static void address_of(const struct ili9225 *chip, int column, int row, int *x, int *y) {
    column = counts_right(chip) ? column : COLUMNS - 1 - column;
    row = counts_down(chip) ? row : ROWS - 1 - row;
    *x = by_columns(chip) ? row : column;
    *y = by_columns(chip) ? column : row;
}

static bool behind(struct jl_device *device, int x, int y, struct place *place) {
    const struct ili9225 *chip = device->state;
    int column, row;
    ram_behind(chip, &device->glass, x, y, &column, &row);
    place->line = row;
    place->offset =
        offsetof(struct ili9225, ram) + sizeof chip->ram[0][0] * (size_t)(row * COLUMNS + column);
    place->bytes = sizeof chip->ram[0][0];
    address_of(chip, column, row, &place->column, &place->row);
    return true;
}

static void window(const struct jl_device *device, struct window *window) {
    const struct ili9225 *chip = device->state;
    int first_x, last_x, first_y, last_y, a, b, c, d;
    window_of(chip, &first_x, &last_x, &first_y, &last_y);
    address_of(chip, first_x, first_y, &a, &b);
    address_of(chip, last_x, last_y, &c, &d);
    *window = (struct window){least(a, c), a + c - least(a, c), least(b, d), b + d - least(b, d)};
}

static void judge_more(struct jl_device *device) {
    if (is_negative(device) && !device->means_negative) {
        jl_sim_device_report(device, JL_SEVERITY_ERROR, JL_CODE_COLORS,
                             "the picture is a negative: this glass wants bit 2 of 07 (REV) %s",
                             device->glass.ips ? "cleared" : "set");
    }
    if (is_exchanged(device)) {
        jl_sim_device_report(device, JL_SEVERITY_ERROR, JL_CODE_COLORS,
                             "red and blue are exchanged: this glass wants bit 12 of 03 (BGR) %s",
                             device->glass.bgr ? "cleared" : "set");
    }
}

static const struct geometry_words words = {
    .mirror = "SS and GS (01), ID0, ID1 and AM (03)",
};

static uint8_t brightness(struct jl_device *device) {
    (void)device;
    return 255;
}

static const char *why_dark(struct jl_device *device) {
    const struct ili9225 *chip = chip_of(device);
    if (chip->in_reset) {
        return "the controller is held in reset";
    }
    if (chip->registers[0x10] & 1) {
        return "the controller is in standby (STB in 10): 10 0800 wakes it";
    }
    if (!is_on(chip)) {
        return chip->was_on ? "the display is switched off (07): 07 1017 shows the RAM again"
                            : "the display was never switched on: send 07 1017 at the end of the "
                              "wake-up sequence";
    }
    if (!(chip->registers[0x10] & 0x0F00)) {
        return "the outputs have no current: bits 11 to 8 of 10 (10 0800)";
    }
    return NULL;
}

static const struct machine machine = {
    .behind = behind,
    .window = window,
    .words = &words,
    .judge_more = judge_more,
    .fits = fits,
    .power_on = power_on,
    .reset = reset,
    .selected = selected,
    .write = write,
    .show = show,
    .brightness = brightness,
    .why_dark = why_dark,
};

static const struct stranger strangers[] = {
    {0x29, 0x29, "that switches other TFTs on; here it is register 07 with 1017"},
    {0x2A, 0x2C, "other TFTs have windows so; here they are registers 36 to 39, and 22 for pixels"},
    {0, 0, NULL},
};

const struct jl_emulated_part jl_emulated_ili9225 = {
    .name = "ili9225",
    .commands = &jl_sim_ili9225_commands,
    .strangers = strangers,
    .machine = &machine,
    .state_bytes = sizeof(struct ili9225),
    .serial_cycle_ps = 50000,
    .parallel_cycle_ps = 100000,
    .no_6800 = true,
};
