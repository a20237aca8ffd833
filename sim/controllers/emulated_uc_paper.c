/*
 * The machine behind the emulated uc8151, uc8176 and uc8179. The picture comes about as on the
 * silicon: RAM of two planes, waveform by old and new (or by red and white), particles.
 *
 * The usual module, seen from the front: source 0 at the left, gate 0 at the top, scanned upwards
 * and shifted to the right (UD and SHL are 1, as after a reset).
 *
 * Taken where the datasheets leave room:
 *  - The part's own waveforms are those of paper_wave.c, by the temperature; all pixels are driven
 *    in a full one.
 *  - BUSY_N goes low 150 us after 02, 04 and 12.
 *  - While busy, and in deep sleep, every byte is ignored. Deep sleep loses the RAM.
 *  - DDX: bit 0 set means that a 1 is white; bit 1 clear that a 1 is red.
 *  - A level of 1 in a table drives to black, 2 to white, 3 to red; 20h (VCOM) moves nothing.
 *  - Outside the window of a partial update nothing is driven, whatever PT_SCAN says.
 */
#include "uc_paper.h"

#include <string.h>

enum { KW_MODE = 0x10, OWN_TABLES = 0x20, SCAN_UP = 0x08, SHIFT_RIGHT = 0x04, NO_RESET = 0x01 };
enum { BUSY_AFTER_US = 150, POWER_ON_US = 60000, POWER_OFF_US = 20000 };

static struct uc_paper_chip *chip_of(struct jl_device *device) {
    return device->state;
}

static const struct uc_paper_part *part_of(const struct jl_device *device) {
    return device->part->facts;
}

static bool fits(const struct jl_emulated_part *part, const struct jl_glass *glass) {
    const struct uc_paper_part *facts = part->facts;
    return jl_glass_is_paper(glass) && glass->column_offset + glass->width <= facts->sources &&
           glass->row_offset + glass->height <= facts->gates;
}

/* ---- planes ---- */

static int line_bytes(const struct jl_device *device) {
    return part_of(device)->sources / 8;
}

static size_t plane_bytes(const struct jl_device *device) {
    return (size_t)part_of(device)->gates * (size_t)line_bytes(device);
}

static uint8_t *plane_of(struct jl_device *device, int plane) {
    return chip_of(device)->ram + (size_t)plane * plane_bytes(device);
}

/* The place in the RAM that a pixel of the glass shows; false: it is outside of the resolution. */
static bool place_of(struct jl_device *device, int x, int y, int *column, int *row) {
    const struct uc_paper_chip *chip = chip_of(device);
    const struct jl_glass *glass = &device->glass;
    int source = glass->column_offset + (glass->mirrored_x ? glass->width - 1 - x : x);
    int gate = glass->row_offset + (glass->mirrored_y ? glass->height - 1 - y : y);
    int c = source - chip->first_source, r = gate - chip->first_gate;
    *column = chip->settings & SHIFT_RIGHT ? c : chip->columns - 1 - c;
    *row = chip->settings & SCAN_UP ? r : chip->rows - 1 - r;
    return c >= 0 && c < chip->columns && r >= 0 && r < chip->rows;
}

/* The bit of a plane as the waveform takes it: 1 is white, or red. */
static bool bit_of(struct jl_device *device, int plane, int column, int row) {
    const struct uc_paper_chip *chip = chip_of(device);
    bool bit =
        plane_of(device, plane)[row * line_bytes(device) + column / 8] >> (7 - column % 8) & 1;
    bool red = plane == 1 && !(chip->settings & KW_MODE);
    return red ? bit != (chip->data_options >> 1 & 1) : bit == (chip->data_options & 1);
}

/* 10h is the old plane, or black and white; 13h the new one, or red. */
static int row_of(struct jl_device *device, int x, int y) {
    const struct uc_paper_chip *chip = chip_of(device);
    int column, row;
    if (!place_of(device, x, y, &column, &row) ||
        (chip->only_window && (column < chip->x_start || column > chip->x_end ||
                               row < chip->y_start || row > chip->y_end))) {
        return -1;
    }
    bool first = bit_of(device, 0, column, row), second = bit_of(device, 1, column, row);
    return chip->settings & KW_MODE ? 2 * first + second : 2 * second + first;
}

/* ---- waveforms ---- */

/* Groups of 6 bytes: levels of 4 phases, frames of each, how often. */
static void table_wave(struct jl_device *device, struct wave *wave) {
    const struct uc_paper_chip *chip = chip_of(device);
    /* Which of 21h..24h a row follows: black to black, black to white, white to black, white. */
    static const uint8_t of_kw[WAVE_ROWS] = {4, 2, 3, 1}, of_red[WAVE_ROWS] = {4, 3, 2, 2};
    for (int row = 0; row < WAVE_ROWS; row++) {
        const uint8_t *table = chip->tables[(chip->settings & KW_MODE ? of_kw : of_red)[row]];
        for (int i = 0; i < UC_TABLE_BYTES / 6 && table[6 * i + 5]; i++) {
            const uint8_t *group = table + 6 * i;
            wave->rows[row][i] =
                (struct wave_group){group[0], {group[1], group[2], group[3], group[4]}, group[5]};
        }
    }
}

static bool drives(const struct wave_group *row) {
    for (int i = 0; i < WAVE_GROUPS && row[i].times; i++) {
        if (row[i].levels) {
            return true;
        }
    }
    return false;
}

/* ---- the update ---- */

static void look_at_planes(struct jl_device *device, bool partial) {
    struct uc_paper_chip *chip = chip_of(device);
    const struct jl_glass *glass = &device->glass;
    bool kw = chip->settings & KW_MODE;
    int stale = 0, red = 0, all = glass->width * glass->height;
    for (int y = 0; y < glass->height; y++) {
        for (int x = 0; x < glass->width; x++) {
            int column, row;
            if (row_of(device, x, y) >= 0 && place_of(device, x, y, &column, &row)) {
                red += bit_of(device, 1, column, row);
                stale += bit_of(device, 0, column, row) == jl_sim_paper_is_black(device, x, y);
            }
        }
    }
    if (kw && partial && stale && !chip->base.stale_reported) {
        chip->base.stale_reported = true;
        jl_sim_device_report(
            device, JL_SEVERITY_ERROR, JL_CODE_STALE_PLANE,
            "the old picture in plane 10 differs from the glass at %d of %d "
            "pixels: those are driven wrongly; write the picture to 10, too, after "
            "each update",
            stale, all);
    }
    if (!kw && !chip->base.red_written) {
        jl_sim_device_report(device, JL_SEVERITY_ERROR, JL_CODE_RED_PLANE,
                             "plane 13 (red) was not written since power-on: red snow");
    } else if (!kw && !partial && red > all / 10 * 9) {
        jl_sim_device_report(device, JL_SEVERITY_WARNING, JL_CODE_RED_PLANE,
                             "more than 90 %% is red: DDX (50) says which bit of plane 13 is red");
    }
    if (!kw && glass->kind != JL_GLASS_PAPER_RED) {
        jl_sim_device_report(device, JL_SEVERITY_WARNING, JL_CODE_ARGUMENT_VALUE,
                             "00 says black, white and red (bit 4 is 0), and the glass has no red");
    }
}

static void refresh(struct jl_device *device) {
    struct uc_paper_chip *chip = chip_of(device);
    const struct uc_paper_part *part = part_of(device);
    struct wave wave = {.frame_us = chip->frame_us};
    if (!chip->base.powered) {
        jl_sim_device_report(device, JL_SEVERITY_ERROR, JL_CODE_VOLTAGES_OFF,
                             "12 updates the glass with its voltages off: 04 first, and wait");
        return;
    }
    int celsius = chip->fixed_degrees ? chip->degrees : device->celsius;
    bool own_partial =
        chip->fixed_degrees && part->partial_degrees && chip->degrees == part->partial_degrees;
    bool tables = chip->settings & OWN_TABLES;
    if (tables) {
        table_wave(device, &wave);
    } else if (own_partial) {
        jl_sim_paper_partial_wave(&wave, device->celsius);
    } else {
        jl_sim_paper_full_wave(&wave, celsius, !(chip->settings & KW_MODE));
    }
    bool kw = chip->settings & KW_MODE;
    bool partial = own_partial || (tables && (kw ? !drives(wave.rows[3]) : !drives(wave.rows[2])));
    chip->only_window = chip->partial_mode;
    look_at_planes(device, partial);
    (partial ? jl_sim_paper_partial : jl_sim_paper_full)(device);
    jl_sim_paper_begin(device, &chip->base.update, &wave, row_of);
    jl_sim_paper_busy(device, BUSY_AFTER_US,
                      (chip->base.update.end_ps - chip->base.update.start_ps) / 1000000u + 1000);
    chip->base.waits_for_update = false;
}

/* ---- memory ---- */

static void begin_data(struct jl_device *device, int plane) {
    struct uc_paper_chip *chip = chip_of(device);
    chip->plane = plane;
    chip->x = chip->partial_mode ? chip->x_start : 0;
    chip->y = chip->partial_mode ? chip->y_start : 0;
}

static void take_pixels(struct jl_device *device, const uint8_t *bytes, size_t count) {
    struct uc_paper_chip *chip = chip_of(device);
    int left = chip->partial_mode ? chip->x_start : 0;
    int right = chip->partial_mode ? chip->x_end : chip->columns - 1;
    int bottom = chip->partial_mode ? chip->y_end : chip->rows - 1;
    uint8_t *plane = plane_of(device, chip->plane);
    for (size_t i = 0; i < count && chip->y <= bottom; i++) {
        if (chip->x < part_of(device)->sources && chip->y < part_of(device)->gates) {
            uint8_t *place = &plane[chip->y * line_bytes(device) + chip->x / 8];
            jl_sim_stored(device, 1, *place != bytes[i]);
            *place = bytes[i];
        }
        chip->x += 8;
        if (chip->x > right) {
            chip->x = left;
            chip->y++;
        }
    }
    chip->base.waits_for_update |= chip->plane == 1 || !(chip->settings & KW_MODE);
    chip->base.red_written |= chip->plane == 1;
}

/* ---- commands ---- */

static void load_defaults(struct jl_device *device) {
    struct uc_paper_chip *chip = chip_of(device);
    const struct uc_paper_part *part = part_of(device);
    chip->settings = 0x0F;
    chip->columns = part->sources;
    chip->rows = part->gates;
    chip->first_source = chip->first_gate = 0;
    chip->data_options = 1;
    chip->frame_us = 20000;
    chip->fixed_degrees = false;
    chip->partial_mode = false;
    chip->x_start = chip->y_start = 0;
    chip->x_end = part->sources - 1;
    chip->y_end = part->gates - 1;
    chip->plane = -1;
    chip->base.known = false;
    chip->base.argument_count = chip->base.least = chip->base.most = 0;
    memset(chip->tables, 0, sizeof chip->tables);
}

static int word(const uint8_t *bytes) {
    return bytes[0] << 8 | bytes[1];
}

/* A window: columns are rounded to bytes by the part. */
static void set_window(struct jl_device *device) {
    struct uc_paper_chip *chip = chip_of(device);
    const uint8_t *a = chip->base.arguments;
    bool wide = part_of(device)->wide;
    int x_start = wide ? word(a) : a[0], x_end = wide ? word(a + 2) : a[1];
    a += wide ? 4 : 2;
    if (x_start % 8 || x_end % 8 != 7) {
        jl_sim_device_report(device, JL_SEVERITY_WARNING, JL_CODE_WINDOW_RANGE,
                             "90 columns %d..%d: the part takes whole bytes, %d..%d", x_start,
                             x_end, x_start & ~7, x_end | 7);
    }
    chip->x_start = x_start & ~7;
    chip->x_end = x_end | 7;
    chip->y_start = word(a) & 0x3FF;
    chip->y_end = word(a + 2) & 0x3FF;
    if (chip->x_start > chip->x_end || chip->x_end >= (chip->columns + 7) / 8 * 8 ||
        chip->y_start > chip->y_end || chip->y_end >= chip->rows) {
        jl_sim_device_report(device, JL_SEVERITY_ERROR, JL_CODE_WINDOW_RANGE,
                             "90 columns %d..%d, rows %d..%d: expected within %d x %d",
                             chip->x_start, chip->x_end, chip->y_start, chip->y_end, chip->columns,
                             chip->rows);
    }
}

static void set_power(struct jl_device *device, bool on) {
    struct uc_paper_chip *chip = chip_of(device);
    chip->base.powered = on;
    chip->base.powered_since_ps = jl_board_now_ps(device->board);
    jl_sim_paper_busy(device, BUSY_AFTER_US, on ? POWER_ON_US : POWER_OFF_US);
}

static void deep_sleep(struct jl_device *device, uint8_t key) {
    struct uc_paper_chip *chip = chip_of(device);
    if (key != 0xA5) {
        jl_sim_device_report(device, JL_SEVERITY_ERROR, JL_CODE_ARGUMENT_VALUE,
                             "07 %02X: deep sleep wants A5 as its key", key);
        return;
    }
    if (chip->base.powered) {
        jl_sim_device_report(device, JL_SEVERITY_WARNING, JL_CODE_VOLTAGES_ON,
                             "deep sleep with its voltages on: 02 first, and wait");
    }
    chip->base.asleep = true;
    chip->base.powered = false;
    chip->base.red_written = false;
    jl_sim_device_noise(device, chip->ram, 2 * plane_bytes(device));
}

/* Of 61h, 65h and 90h the narrow parts have fewer: see lengths_of(). */
/* A command with all its arguments. */
static void run(struct jl_device *device) {
    struct uc_paper_chip *chip = chip_of(device);
    const struct uc_paper_part *part = part_of(device);
    const uint8_t *a = chip->base.arguments;
    chip->plane = -1;
    switch (chip->base.command) {
    case 0x00:
        if (!(a[0] & NO_RESET)) {
            load_defaults(device);
            return;
        }
        chip->settings = a[0];
        break;
    case 0x02:
    case 0x04:
        set_power(device, chip->base.command == 0x04);
        break;
    case 0x07:
        deep_sleep(device, a[0]);
        break;
    case 0x10:
    case 0x13:
        begin_data(device, chip->base.command == 0x13);
        break;
    case 0x12:
        refresh(device);
        break;
    case 0x30:
        chip->frame_us = a[0] == 0x3A ? 10000 : a[0] == 0x29 ? 6667 : 20000;
        break;
    case 0x50:
        chip->data_options = part->options_low ? a[0] & 3 : a[0] >> 4 & 3;
        break;
    case 0x61:
        chip->columns = part->wide ? word(a) : a[0];
        chip->rows = word(a + 1 + part->wide);
        if (chip->columns > part->sources || chip->rows > part->gates || chip->columns % 8) {
            jl_sim_device_report(device, JL_SEVERITY_ERROR, JL_CODE_ARGUMENT_VALUE,
                                 "61 asks for %d x %d: expected up to %d x %d, columns by 8",
                                 chip->columns, chip->rows, part->sources, part->gates);
            load_defaults(device);
        }
        break;
    case 0x65:
        chip->first_source = part->wide ? word(a) : a[0];
        chip->first_gate = word(a + 1 + part->wide);
        break;
    case 0x90:
        set_window(device);
        break;
    case 0x91:
    case 0x92:
        chip->partial_mode = chip->base.command == 0x91;
        break;
    case 0xE0:
        chip->fixed_degrees = (a[0] & 2) != 0;
        break;
    case 0xE5:
        chip->degrees = a[0] < 128 ? a[0] : a[0] - 256;
        break;
    default:
        if (chip->base.command >= 0x20 && chip->base.command < 0x20 + UC_TABLES) {
            memcpy(chip->tables[chip->base.command - 0x20], a, UC_TABLE_BYTES);
        }
        break; /* voltages, timings, reads: taken, without effect here */
    }
}

static void take_command(struct jl_device *device, uint8_t opcode) {
    jl_sim_window_end(device);
    chip_of(device)->plane = -1;
    jl_sim_paper_opcode(device, opcode, run);
}

/* ---- what the board asks ---- */

static const struct paper_words words = {
    .sleep = "07 A5", .idle = "200 us, then until BUSY is high", .power = "02"};

static void write(struct jl_device *device, const uint8_t *bytes, size_t count, bool data) {
    struct uc_paper_chip *chip = chip_of(device);
    if (data && chip->base.known && chip->plane >= 0) {
        if (!jl_sim_paper_deaf(device, &words, bytes[0], true)) {
            take_pixels(device, bytes, count);
            jl_sim_window_data(
                device, count,
                chip->partial_mode ? (chip->x_end - chip->x_start + 8) / 8 : chip->columns / 8,
                chip->partial_mode ? chip->y_end - chip->y_start + 1 : chip->rows, 8);
        }
        return;
    }
    for (size_t i = 0; i < count; i++) {
        device->at = i;
        if (jl_sim_paper_deaf(device, &words, bytes[i], data)) {
            chip->base.known = false;
            chip->plane = -1;
        } else if (data) {
            jl_sim_paper_argument(device, bytes[i], run);
        } else {
            take_command(device, bytes[i]);
        }
    }
}

static void power_on(struct jl_device *device) {
    jl_sim_device_noise(device, chip_of(device)->ram, 2 * plane_bytes(device));
    load_defaults(device);
}

static void reset(struct jl_device *device, bool low) {
    jl_sim_paper_reset(device, low, 50);
    load_defaults(device);
}

static bool output(struct jl_device *device, enum jl_device_pin pin, uint64_t at_ps) {
    return pin == JL_DEVICE_BUSY && !jl_sim_paper_is_busy(device, at_ps);
}

static const char *why_dark(struct jl_device *device) {
    return jl_sim_paper_why(device,
                            "the glass shows what it showed before: the RAM was written, and no "
                            "update was started (04, wait, 12)",
                            "the glass never had an update (13 with the picture, 04, wait, 12)");
}

const struct machine jl_sim_uc_paper_machine = {
    .fits = fits,
    .power_on = power_on,
    .power_off = jl_sim_paper_power_off,
    .reset = reset,
    .write = write,
    .outputs = 1 << JL_DEVICE_BUSY,
    .output = output,
    .output_change = jl_sim_paper_output_change,
    .show = jl_sim_paper_picture,
    .brightness = jl_sim_paper_brightness,
    .why_dark = why_dark,
    .keeps_picture = true,
};
