/*
 * The emulated LCD controllers st7565, st7567 and uc1701: one machine (st7565 datasheet, command
 * table and power supply circuits); and uc1609, whose commands for supply, directions and bias are
 * other ones.
 *
 * The usual module, seen from the front: segment 0 at the left, common 0 at the bottom.
 *
 * Taken where the datasheets leave room:
 *  - The ADC bit acts as the RAM is scanned: column c is on segment c, or on 131 - c.
 *  - The column stops past 131 (the counter "does not go on to the next page").
 *  - V0 = ratio * (1 - (63 - volume) / 162) * 2.1 V; the usual glass looks right at 9.3 V.
 *  - Bias 1/7 needs about 15 % less for the same darkness: the usual glass is too dark with it.
 *  - A power step that comes earlier than 10 ms after the last one is reported: sheets ask for up
 *    to 50, and 10 is seen to do for small boosters.
 *  - uc1609: V = 6.0 V + 24.5 mV * volume at bias 1/9, in proportion to the bias; 9.1 V is right.
 *    Its MX acts when a byte is written.
 */
#include "lcd_pages.h"

#include <stddef.h>
#include <string.h>

#include "lcd_drive.h"

enum { LINES = 64, RIGHT_MV = 9300, RIGHT_UC1609_MV = 9100, STEP_US = 9900, POWER_ALL = 7 };

static struct lcd_pages *chip_of(struct jl_device *device) {
    return device->state;
}

static const struct lcd_pages_part *part_of(const struct jl_device *device) {
    return device->part->facts;
}

static int segments_of(const struct jl_device *device) {
    return part_of(device)->segments;
}

static int right_mv(const struct jl_device *device) {
    return part_of(device)->at_once ? RIGHT_UC1609_MV : RIGHT_MV;
}

/* After reset: display off, normal directions, all power off; ratio 4 and volume 32, or bias 1/9
 * and half the volume. */
static void load_reset_values(struct lcd_pages *chip, const struct lcd_pages_part *part) {
    struct lcd_pages fresh = {.ratio = part->at_once ? 3 : 4, .volume = part->at_once ? 73 : 32};
    memcpy(fresh.ram, chip->ram, sizeof fresh.ram);
    *chip = fresh;
}

static bool fits(const struct jl_emulated_part *part, const struct jl_glass *glass) {
    int segments = ((const struct lcd_pages_part *)part->facts)->segments;
    return glass->column_offset + glass->width <= segments && glass->height <= LINES;
}

static void power_on(struct jl_device *device) {
    struct lcd_pages *chip = chip_of(device);
    jl_sim_device_noise(device, &chip->ram[0][0], sizeof chip->ram);
    load_reset_values(chip, part_of(device));
}

static int drive_mv(const struct jl_device *device) {
    const struct lcd_pages *chip = device->state;
    if (part_of(device)->at_once) {
        return (6000 + 245 * chip->volume / 10) * (6 + chip->ratio) / 9; /* bias 1/6 to 1/9 */
    }
    /* (1 + Rb/Ra) * 100 of the codes 0..7. */
    static const int ratios[8] = {300, 350, 400, 450, 500, 550, 600, 640};
    int vev = 2100 * (162 - (63 - chip->volume)) / 162;
    int v0 = ratios[chip->ratio] * vev / 100;
    return chip->bias_1_7 ? v0 * 115 / 100 : v0;
}

/* Where in the RAM a column lies that is written now. */
static int written_column(const struct jl_device *device, int column) {
    const struct lcd_pages *chip = device->state;
    bool mirrored = part_of(device)->at_once && chip->segments_reversed;
    return mirrored ? segments_of(device) - 1 - column : column;
}

static void take_data(struct jl_device *device, uint8_t byte) {
    struct lcd_pages *chip = chip_of(device);
    if (chip->argument_due) {
        jl_sim_device_report(
            device, JL_SEVERITY_ERROR, JL_CODE_ARGUMENT_AS_DATA,
            "data 0x%02X arrived while command 0x%02X still waits for its argument", byte,
            chip->command);
    }
    if (chip->column >= segments_of(device)) {
        if (!chip->past_reported) {
            chip->past_reported = true;
            jl_sim_device_report(
                device, JL_SEVERITY_ERROR, JL_CODE_COLUMN_END,
                "data past the last column, %d, are lost: set a page (B0..B7) and a "
                "column (10, 00) before each line",
                segments_of(device) - 1);
        }
        return;
    }
    uint8_t *place = &chip->ram[chip->page][written_column(device, chip->column++)];
    jl_sim_stored(device, 1, *place != byte);
    *place = byte;
}

static void set_power(struct jl_device *device, uint8_t power) {
    struct lcd_pages *chip = chip_of(device);
    uint64_t now = jl_board_now_ps(device->board);
    uint64_t since_us = (now - chip->power_changed_ps) / 1000000;
    bool steps = !part_of(device)->at_once;
    if (steps && chip->power && power != chip->power && since_us < STEP_US) {
        jl_sim_device_report(
            device, JL_SEVERITY_WARNING, JL_CODE_WAIT_TOO_SHORT,
            "power step 0x%02X came %llu us after the one before: the sheet's flow "
            "waits up to 50 ms between 2C, 2E and 2F",
            0x28 | power, (unsigned long long)since_us);
    }
    chip->power = power;
    chip->power_changed_ps = now;
}

static void run_argument(struct jl_device *device, uint8_t byte) {
    struct lcd_pages *chip = chip_of(device);
    if (chip->command == 0x81 && part_of(device)->at_once) {
        chip->volume = byte;
    } else if (chip->command == 0x81) {
        if (byte > 63) {
            jl_sim_device_report(
                device, JL_SEVERITY_ERROR, JL_CODE_ARGUMENT_VALUE,
                "command 0x81 (electronic volume): argument 0x%02X, expected 00..3F%s", byte,
                jl_sim_slip_words(device, byte));
        }
        chip->volume = byte & 63;
    }
}

static void soft_reset(struct jl_device *device) {
    struct lcd_pages *chip = chip_of(device);
    struct lcd_pages before = *chip;
    load_reset_values(chip, part_of(device));
    if (!part_of(device)->full_soft_reset) {
        chip->power = before.power;
        chip->power_changed_ps = before.power_changed_ps;
        chip->on = before.on;
        chip->was_on = before.was_on;
        chip->segments_reversed = before.segments_reversed;
        chip->bias_1_7 = before.bias_1_7;
        chip->all_on = before.all_on;
        chip->inverted = before.inverted;
    }
    chip->deaf_until_ps =
        jl_board_now_ps(device->board) + (uint64_t)part_of(device)->soft_reset_us * 1000000;
}

/* What the uc1609 has under other opcodes, or otherwise; false: it is as with the others. */
static bool run_uc1609(struct jl_device *device, uint8_t opcode) {
    struct lcd_pages *chip = chip_of(device);
    switch (opcode & 0xF8) {
    case 0x20: /* temperature */
    case 0x88: /* how addresses count */
        return true;
    case 0xA0: /* line rate, in front of the switches that all have */
        return opcode < 0xA4;
    case 0xC0:
        chip->segments_reversed = opcode & 2;
        chip->commons_reversed = opcode & 4;
        jl_sim_judge_anew(device);
        return true;
    case 0xE8:
        chip->ratio = opcode & 3;
        return true;
    default:
        return false;
    }
}

static void run_plain(struct jl_device *device, uint8_t opcode) {
    struct lcd_pages *chip = chip_of(device);
    if (part_of(device)->at_once && run_uc1609(device, opcode)) {
        return;
    }
    switch (opcode >> 4) {
    case 0x0:
        chip->column = (uint8_t)((chip->column & 0xF0) | (opcode & 0x0F));
        return;
    case 0x1:
        chip->column = (uint8_t)((chip->column & 0x0F) | (opcode & 0x0F) << 4);
        return;
    case 0x2:
        if (opcode & 8) {
            set_power(device, opcode & 7);
        } else {
            chip->ratio = opcode & 7;
        }
        return;
    case 0x4:
    case 0x5:
    case 0x6:
    case 0x7:
        chip->start_line = opcode & 63;
        return;
    case 0xB:
        chip->page = opcode & 0x0F;
        return;
    case 0xC:
        chip->commons_reversed = (opcode & 8) != 0;
        jl_sim_judge_anew(device);
        return;
    default:
        break;
    }
    bool set = opcode & 1;
    switch (opcode) {
    case 0xA0:
    case 0xA1:
        chip->segments_reversed = set;
        jl_sim_judge_anew(device);
        break;
    case 0xA2:
    case 0xA3:
        chip->bias_1_7 = set;
        break;
    case 0xA4:
    case 0xA5:
        chip->all_on = set;
        break;
    case 0xA6:
    case 0xA7:
        chip->inverted = set;
        break;
    case 0xAE:
    case 0xAF:
        if (set && !chip->on) {
            chip->on = chip->was_on = true;
            jl_sim_judge_on(device);
        }
        chip->on = set;
        break;
    case 0xE0:
        chip->read_modify_write = true;
        chip->column_before = chip->column;
        break;
    case 0xE2:
        soft_reset(device);
        break;
    case 0xEE:
        chip->column = chip->read_modify_write ? chip->column_before : chip->column;
        chip->read_modify_write = false;
        break;
    default: /* no operation */
        break;
    }
}

static void take_command(struct jl_device *device, uint8_t byte) {
    struct lcd_pages *chip = chip_of(device);
    if (chip->argument_due) {
        chip->argument_due = false;
        run_argument(device, byte);
        return;
    }
    const struct command *info = jl_sim_take_opcode(device, byte);
    if (!info) {
        return;
    }
    chip->command = byte;
    chip->argument_due = info->least != 0;
    if (!info->least) {
        run_plain(device, byte);
    }
}

static void reset(struct jl_device *device, bool low) {
    struct lcd_pages *chip = chip_of(device);
    const struct lcd_pages_part *part = part_of(device);
    uint64_t now = jl_board_now_ps(device->board);
    uint64_t low_ps = now - chip->reset_edge_ps;
    if (!low && jl_sim_too_short(low_ps, (uint64_t)part->reset_us * 1000000)) {
        jl_sim_device_report(device, JL_SEVERITY_WARNING, JL_CODE_RESET_TOO_SHORT,
                             "reset was low for %.1f us, at least %d us are needed",
                             (double)low_ps / 1e6, part->reset_us);
    }
    load_reset_values(chip, part_of(device));
    chip->reset_edge_ps = now;
    chip->in_reset = low;
    chip->deaf_until_ps = low ? 0 : now + (uint64_t)part->recovery_us * 1000000;
}

static bool listens(struct jl_device *device) {
    struct lcd_pages *chip = chip_of(device);
    if (chip->in_reset && !chip->reset_reported) {
        chip->reset_reported = true;
        jl_sim_device_report(device, JL_SEVERITY_ERROR, JL_CODE_RESET_HELD,
                             "bytes arrive while the reset pin is low");
    }
    bool deaf = jl_board_now_ps(device->board) < chip->deaf_until_ps;
    if (deaf && !chip->recovery_reported) {
        chip->recovery_reported = true;
        jl_sim_device_report(device, JL_SEVERITY_ERROR, JL_CODE_RESET_RECOVERY,
                             "bytes arrive while the controller still resets: they are lost");
    }
    return !chip->in_reset && !deaf;
}

static void write(struct jl_device *device, const uint8_t *bytes, size_t count, bool data) {
    for (size_t i = 0; i < count; i++) {
        device->at = i;
        if (!listens(device)) {
            return;
        }
        if (data) {
            take_data(device, bytes[i]);
        } else {
            take_command(device, bytes[i]);
            chip_of(device)->first_column = chip_of(device)->column;
        }
    }
    if (data) {
        jl_sim_judge_pixels(device, count, 1, chip_of(device)->on);
    }
}

/*
 * On a parallel bus, with A0 low the status: busy, ADC (1 is normal), off, in reset; with A0 high
 * the RAM, behind a dummy byte after each change of the address. SPI cannot be read.
 */
static uint8_t read(struct jl_device *device) {
    struct lcd_pages *chip = chip_of(device);
    if (jl_sim_device_is_serial(device)) {
        return 0xFF;
    }
    if (!device->pins[JL_DEVICE_DC]) {
        bool busy = jl_board_now_ps(device->board) < chip->deaf_until_ps;
        if (part_of(device)->at_once) {
            return (uint8_t)(busy << 7 | chip->segments_reversed << 6 | chip->on << 5 |
                             chip->in_reset << 4);
        }
        return (uint8_t)(busy << 7 | !chip->segments_reversed << 6 | !chip->on << 5 |
                         chip->in_reset << 4);
    }
    uint8_t byte = chip->read_ahead;
    chip->read_ahead = chip->column < segments_of(device) && chip->page < LCD_PAGES
                           ? chip->ram[chip->page][written_column(device, chip->column)]
                           : 0xFF;
    if (!chip->read_modify_write && chip->column < segments_of(device)) {
        chip->column++;
    }
    return byte;
}

/* The column of the RAM that drives a segment. */
static int ram_column(const struct jl_device *device, int segment) {
    const struct lcd_pages *chip = device->state;
    bool reversed = chip->segments_reversed && !part_of(device)->at_once;
    return reversed ? segments_of(device) - 1 - segment : segment;
}

static void show(struct jl_device *device, struct jl_picture *picture) {
    const struct lcd_pages *chip = chip_of(device);
    const struct jl_glass *glass = &device->glass;
    bool all = chip->all_on || lcd_drive_of(drive_mv(device), right_mv(device)) == LCD_TOO_HIGH;
    for (int y = 0; y < glass->height; y++) {
        int common_output = glass->mirrored_y ? y : LINES - 1 - y;
        int row = chip->commons_reversed ? LINES - 1 - common_output : common_output;
        int line = (row + chip->start_line) % LINES;
        for (int x = 0; x < glass->width; x++) {
            int segment = glass->column_offset + (glass->mirrored_x ? glass->width - 1 - x : x);
            int column = ram_column(device, segment);
            bool bit = chip->ram[line / 8][column] >> (line % 8) & 1;
            if (all || bit != chip->inverted) {
                memset(jl_picture_at(picture, x, y), 255, 3);
            }
        }
    }
}

static bool behind(struct jl_device *device, int x, int y, struct place *place) {
    const struct lcd_pages *chip = chip_of(device);
    const struct jl_glass *glass = &device->glass;
    int common_output = glass->mirrored_y ? y : LINES - 1 - y;
    int row = chip->commons_reversed ? LINES - 1 - common_output : common_output;
    int segment = glass->column_offset + (glass->mirrored_x ? glass->width - 1 - x : x);
    place->line = place->row = (row + chip->start_line) % LINES;
    int column = ram_column(device, segment);
    place->column = written_column(device, column);
    place->offset = offsetof(struct lcd_pages, ram) +
                    (size_t)(place->line / 8) * sizeof chip->ram[0] + (size_t)column;
    place->bytes = 1;
    return true;
}

static void window(const struct jl_device *device, struct window *window) {
    const struct lcd_pages *chip = device->state;
    *window = (struct window){chip->first_column, segments_of(device) - 1, 8 * chip->page,
                              8 * chip->page + 7};
}

static void judge_more(struct jl_device *device) {
    if (chip_of(device)->all_on) {
        jl_sim_device_report(device, JL_SEVERITY_WARNING, JL_CODE_ALL_ON,
                             "all dots are on (A5): A4 shows the RAM");
    }
    int mv = drive_mv(device);
    if (lcd_drive_of(mv, right_mv(device)) == LCD_TOO_HIGH) {
        jl_sim_device_report(
            device, JL_SEVERITY_WARNING, JL_CODE_CONTRAST,
            "V0 is %d.%d V, the glass wants about %d.%d V: all dots turn dark; "
            "lower the electronic volume (81) or the %s",
            mv / 1000, mv % 1000 / 100, right_mv(device) / 1000, right_mv(device) % 1000 / 100,
            part_of(device)->at_once ? "bias (E8..EB)" : "resistor ratio (20..27)");
    }
}

static const struct geometry_words words = {
    .roll = "start line 40..7F",
    .mirror = "A0/A1 (columns) and C0/C8 (rows)",
};

static uint8_t brightness(struct jl_device *device) {
    return lcd_darkness(drive_mv(device), right_mv(device));
}

static const char *why_dark(struct jl_device *device) {
    const struct lcd_pages *chip = chip_of(device);
    if (chip->in_reset) {
        return "the controller is held in reset";
    }
    if (!chip->on) {
        return chip->was_on ? "the display sleeps (AE): AF shows the RAM again"
                            : "the display was never switched on: send AF at the end of the "
                              "wake-up sequence";
    }
    if (chip->power != POWER_ALL && !device->glass.external_supply) {
        return part_of(device)->at_once
                   ? "the charge pump is off and no panel voltage comes from outside: send 2F"
                   : "booster, regulator and follower are not all on: send 2C, 2E, 2F with waits";
    }
    if (lcd_drive_of(drive_mv(device), right_mv(device)) == LCD_TOO_LOW) {
        return part_of(device)->at_once
                   ? "the panel voltage is too low for the glass: raise the volume (81) or the "
                     "bias "
                     "(E8..EB)"
                   : "the panel voltage V0 is too low for the glass: raise the electronic volume "
                     "(81) or the resistor ratio (20..27)";
    }
    return NULL;
}

#define LCD_PAGES_MACHINE                                                                          \
    .behind = behind, .window = window, .judge_more = judge_more, .fits = fits,                    \
    .power_on = power_on, .reset = reset, .read = read, .write = write, .show = show,              \
    .brightness = brightness, .why_dark = why_dark

const struct machine jl_sim_lcd_pages_machine = {.words = &words, LCD_PAGES_MACHINE};

static const struct geometry_words uc1609_words = {
    .roll = "scroll line 40..7F",
    .mirror = "the mapping C0, C2, C4, C6",
};
const struct machine jl_sim_uc1609_machine = {.words = &uc1609_words, LCD_PAGES_MACHINE};
