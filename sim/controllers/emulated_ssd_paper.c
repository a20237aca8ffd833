/*
 * The machine behind the emulated ssd1680 and ssd1681. The picture comes about as on the silicon:
 * RAM of two planes, display update sequence (22h, 20h), waveform, particles of the glass.
 *
 * The usual module, seen from the front: gate 0 at the top, source 0 at the left.
 *
 * Taken where the datasheets leave room:
 *  - Waveforms of the part's own memory are those of paper_wave.c, by the temperature register.
 *  - While busy every byte is ignored; so it is in deep sleep until a reset pulse.
 *  - On black/white glass the full waveform looks at plane 24 only, so that what is in 26 does not
 *    matter; in display mode 2 plane 26 is the old picture.
 *  - Deep sleep mode 1 keeps the RAM, mode 2 does not; a reset and 12h leave the RAM alone.
 *  - Automatic patterns (46h, 47h) fill the whole plane with their bit 7.
 */
#include "ssd_paper.h"

#include <stdlib.h>
#include <string.h>

enum { FRAME_US = 20000 };  /* 50 Hz, the usual frame rate */
enum { TABLE_BYTES = 153 }; /* 32h: 5 rows by 12 groups, times of 12 groups, frame rates */

/* Bits of 22h. */
enum { CLOCK_ON = 0x80, ANALOG_ON = 0x40, READ_TEMPERATURE = 0x20, LOAD_WAVE = 0x10 };
enum { MODE_2 = 0x08, DISPLAY = 0x04, ANALOG_OFF = 0x02, CLOCK_OFF = 0x01 };

static struct ssd_paper_chip *chip_of(struct jl_device *device) {
    return device->state;
}

static const struct ssd_paper_part *part_of(const struct jl_device *device) {
    return device->part->facts;
}

static bool fits(const struct jl_emulated_part *part, const struct jl_glass *glass) {
    const struct ssd_paper_part *facts = part->facts;
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

/* The RAM's bit of a pixel of the glass. */
static bool bit_of(struct jl_device *device, int plane, int x, int y) {
    const struct ssd_paper_chip *chip = chip_of(device);
    const struct jl_glass *glass = &device->glass;
    int source = glass->column_offset + (glass->mirrored_x ? glass->width - 1 - x : x);
    int gate = glass->row_offset + (glass->mirrored_y ? glass->height - 1 - y : y);
    int row = chip->from_the_end ? chip->gates - 1 - gate : gate;
    if (row < 0 || row >= part_of(device)->gates) {
        return false;
    }
    return plane_of(device, plane)[row * line_bytes(device) + source / 8] >> (7 - source % 8) & 1;
}

static bool has_red(const struct jl_device *device) {
    return device->glass.kind == JL_GLASS_PAPER_RED;
}

/* A plane's bit after the options of 21h: normal, bypassed as 0, or inverted. */
static bool optional_bit(struct jl_device *device, int plane, int x, int y) {
    unsigned option = chip_of(device)->ram_options >> (plane ? 4 : 0) & 0x0F;
    bool bit = option != 4 && bit_of(device, plane, x, y);
    return option == 8 ? !bit : bit;
}

/* The row of the waveform: plane 26 is the upper bit, 24 the lower. */
static int row_of(struct jl_device *device, int x, int y) {
    const struct ssd_paper_chip *chip = chip_of(device);
    int gate = device->glass.row_offset + y;
    if (gate < chip->first_gate || gate >= chip->gates) {
        return -1;
    }
    bool ignores = !has_red(device) && !chip->partial && !chip->own_table;
    bool upper = !ignores && optional_bit(device, 1, x, y);
    return 2 * upper + optional_bit(device, 0, x, y);
}

/* ---- waveforms ---- */

static void load_own_wave(struct jl_device *device, bool mode_2) {
    struct ssd_paper_chip *chip = chip_of(device);
    if (mode_2) {
        jl_sim_paper_partial_wave(&chip->wave, chip->celsius);
    } else {
        jl_sim_paper_full_wave(&chip->wave, chip->celsius, has_red(device));
    }
    chip->own_table = false;
    chip->wave_loaded = true;
}

/*
 * The table of 32h: 5 rows of 12 level bytes (the fifth is VCOM), then 12 groups of 7 bytes: frames
 * of phases A and B, repeats of both, frames of C and D, repeats of both, repeats of all; all
 * counts are one less where they repeat. Repeats of pairs are not used by tables in the field and
 * are taken as 0.
 */
static void take_table(struct ssd_paper_chip *chip, const uint8_t *table) {
    struct wave *wave = &chip->wave;
    memset(wave, 0, sizeof *wave);
    wave->frame_us = FRAME_US;
    for (int row = 0; row < WAVE_ROWS; row++) {
        int filled = 0;
        for (int i = 0; i < WAVE_GROUPS; i++) {
            const uint8_t *times = &table[5 * WAVE_GROUPS + 7 * i];
            struct wave_group group = {table[row * WAVE_GROUPS + i],
                                       {times[0], times[1], times[3], times[4]},
                                       (uint8_t)(times[6] + 1)};
            if (times[0] || times[1] || times[3] || times[4]) {
                wave->rows[row][filled++] = group;
            }
        }
    }
    chip->own_table = true;
    chip->wave_loaded = true;
}

/* ---- the update ---- */

static void look_at_planes(struct jl_device *device) {
    struct ssd_paper_chip *chip = chip_of(device);
    const struct jl_glass *glass = &device->glass;
    int stale = 0, red = 0;
    for (int y = 0; y < glass->height; y++) {
        for (int x = 0; x < glass->width; x++) {
            bool upper = bit_of(device, 1, x, y);
            red += upper;
            stale += upper == jl_sim_paper_is_black(device, x, y);
        }
    }
    int all = glass->width * glass->height;
    if (chip->partial && !has_red(device) && stale && !chip->base.stale_reported) {
        chip->base.stale_reported = true;
        jl_sim_device_report(
            device, JL_SEVERITY_ERROR, JL_CODE_STALE_PLANE,
            "the old picture in plane 26 differs from the glass at %d of %d "
            "pixels: those are driven wrongly; write the picture to 26, too, after "
            "each update",
            stale, all);
    }
    if (has_red(device) && !chip->base.red_written) {
        jl_sim_device_report(device, JL_SEVERITY_ERROR, JL_CODE_RED_PLANE,
                             "plane 26 (red) was not written since power-on: red snow");
    } else if (has_red(device) && !chip->partial && red > all / 10 * 9) {
        jl_sim_device_report(device, JL_SEVERITY_WARNING, JL_CODE_RED_PLANE,
                             "more than 90 %% is red: in plane 26 a 1 is red");
    }
}

static void update(struct jl_device *device) {
    struct ssd_paper_chip *chip = chip_of(device);
    uint8_t sequence = chip->sequence;
    uint64_t us = 1000;
    if (sequence & ANALOG_ON && !chip->base.powered) {
        chip->base.powered = true;
        chip->base.powered_since_ps = jl_board_now_ps(device->board);
    }
    if (sequence & READ_TEMPERATURE && chip->inner_sensor) {
        chip->celsius = device->celsius;
    }
    if (sequence & LOAD_WAVE) {
        load_own_wave(device, (sequence & MODE_2) != 0);
        us += 5000;
    }
    if (sequence & DISPLAY && !chip->base.powered) {
        jl_sim_device_report(device, JL_SEVERITY_ERROR, JL_CODE_VOLTAGES_OFF,
                             "22 %02X updates the glass with its voltages off: bit 6 is needed",
                             sequence);
    } else if (sequence & DISPLAY && !chip->wave_loaded) {
        jl_sim_device_report(
            device, JL_SEVERITY_ERROR, JL_CODE_VOLTAGES_OFF,
            "22 %02X updates the glass without a waveform: load one (bit 4, or 32)", sequence);
    } else if (sequence & DISPLAY) {
        chip->partial = (sequence & MODE_2) != 0;
        look_at_planes(device);
        (chip->partial ? jl_sim_paper_partial : jl_sim_paper_full)(device);
        jl_sim_paper_begin(device, &chip->base.update, &chip->wave, row_of);
        us += (chip->base.update.end_ps - chip->base.update.start_ps) / 1000000u;
        chip->base.waits_for_update = false;
    }
    if (sequence & ANALOG_OFF) {
        chip->base.powered = false;
    }
    jl_sim_paper_busy(device, 0, us);
}

/* ---- memory ---- */

static void check_window(struct jl_device *device) {
    struct ssd_paper_chip *chip = chip_of(device);
    const struct ssd_paper_part *part = part_of(device);
    if (chip->x_start > chip->x_end || chip->x_end >= part->sources / 8) {
        jl_sim_device_report(device, JL_SEVERITY_ERROR, JL_CODE_WINDOW_RANGE,
                             "44 columns %d..%d: expected 0..%d, in bytes of 8 pixels",
                             chip->x_start, chip->x_end, part->sources / 8 - 1);
    }
    int low = chip->y_start < chip->y_end ? chip->y_start : chip->y_end;
    int high = chip->y_start + chip->y_end - low;
    if (high >= part->gates) {
        jl_sim_device_report(device, JL_SEVERITY_ERROR, JL_CODE_WINDOW_RANGE,
                             "45 rows %d..%d: expected 0..%d", low, high, part->gates - 1);
    }
}

/* One step of the address; 11h says which way. */
static bool step(int *at, int start, int end, bool up) {
    if (*at == end) {
        *at = start;
        return true;
    }
    *at += up ? 1 : -1;
    return false;
}

static void take_pixels(struct jl_device *device, const uint8_t *bytes, size_t count) {
    struct ssd_paper_chip *chip = chip_of(device);
    const struct ssd_paper_part *part = part_of(device);
    uint8_t *plane = plane_of(device, chip->base.command == 0x26);
    bool x_up = chip->entry & 1, y_up = chip->entry & 2, y_first = chip->entry & 4;
    for (size_t i = 0; i < count; i++) {
        if (chip->x >= 0 && chip->x < part->sources / 8 && chip->y >= 0 && chip->y < part->gates) {
            uint8_t *place = &plane[chip->y * (part->sources / 8) + chip->x];
            jl_sim_stored(device, 1, *place != bytes[i]);
            *place = bytes[i];
        }
        if (y_first) {
            if (step(&chip->y, chip->y_start, chip->y_end, y_up)) {
                step(&chip->x, chip->x_start, chip->x_end, x_up);
            }
        } else if (step(&chip->x, chip->x_start, chip->x_end, x_up)) {
            step(&chip->y, chip->y_start, chip->y_end, y_up);
        }
    }
    /* What is old is no new picture. */
    chip->base.waits_for_update |= chip->base.command == 0x24 || has_red(device);
    chip->base.red_written |= chip->base.command == 0x26;
}

/* ---- commands ---- */

static void load_defaults(struct jl_device *device) {
    struct ssd_paper_chip *chip = chip_of(device);
    const struct ssd_paper_part *part = part_of(device);
    chip->gates = part->gates;
    chip->from_the_end = false;
    chip->first_gate = 0;
    chip->entry = 3;
    chip->ram_options = 0;
    chip->sequence = 0xFF;
    chip->inner_sensor = false;
    chip->celsius = 25;
    chip->x_start = chip->y_start = chip->x = chip->y = 0;
    chip->x_end = part->sources / 8 - 1;
    chip->y_end = part->gates - 1;
    chip->wave_loaded = chip->own_table = chip->base.powered = false;
    chip->base.known = false;
    chip->in_ram = false;
    chip->base.argument_count = chip->base.most = 0;
}

static int word(const uint8_t *bytes) {
    return bytes[0] | bytes[1] << 8;
}

static void deep_sleep(struct jl_device *device, uint8_t mode) {
    struct ssd_paper_chip *chip = chip_of(device);
    chip->base.asleep = (mode & 3) != 0;
    chip->base.powered = false;
    if (mode & 2) {
        jl_sim_device_noise(device, chip->ram, 2 * plane_bytes(device));
        chip->base.red_written = false;
    }
}

/* A command with all its arguments. */
static void run(struct jl_device *device) {
    struct ssd_paper_chip *chip = chip_of(device);
    const uint8_t *a = chip->base.arguments;
    switch (chip->base.command) {
    case 0x01:
        chip->gates = word(a) + 1;
        chip->from_the_end = a[2] & 1;
        break;
    case 0x0F:
        chip->first_gate = word(a);
        break;
    case 0x10:
        deep_sleep(device, a[0]);
        break;
    case 0x11:
        chip->entry = a[0];
        break;
    case 0x12:
        load_defaults(device);
        jl_sim_paper_busy(device, 0, 2000);
        break;
    case 0x18:
        chip->inner_sensor = a[0] == 0x80;
        break;
    case 0x1A:
        chip->celsius = a[0] < 128 ? a[0] : a[0] - 256;
        break;
    case 0x20:
        update(device);
        break;
    case 0x21:
        chip->ram_options = a[0];
        break;
    case 0x22:
        chip->sequence = a[0];
        break;
    case 0x32:
        take_table(chip, a);
        break;
    case 0x44:
        chip->x_start = a[0] & 0x3F;
        chip->x_end = a[1] & 0x3F;
        check_window(device);
        break;
    case 0x45:
        chip->y_start = word(a);
        chip->y_end = word(a + 2);
        check_window(device);
        break;
    case 0x46:
    case 0x47:
        memset(plane_of(device, chip->base.command == 0x46), a[0] & 0x80 ? 0xFF : 0,
               plane_bytes(device));
        chip->base.red_written |= chip->base.command == 0x46;
        chip->base.waits_for_update = true;
        jl_sim_paper_busy(device, 0, 10000);
        break;
    case 0x4E:
        chip->x = a[0] & 0x3F;
        break;
    case 0x4F:
        chip->y = word(a);
        break;
    default: /* voltages, timings, checks: taken, without effect here */
        break;
    }
}

static void take_command(struct jl_device *device, uint8_t opcode) {
    jl_sim_window_end(device);
    chip_of(device)->in_ram = opcode == 0x24 || opcode == 0x26;
    jl_sim_paper_opcode(device, opcode, run);
}

/* ---- what the board asks ---- */

static const struct paper_words words = {
    .sleep = "10", .idle = "until BUSY is low", .power = "22 bits 1 and 0"};

static void write(struct jl_device *device, const uint8_t *bytes, size_t count, bool data) {
    struct ssd_paper_chip *chip = chip_of(device);
    if (data && chip->in_ram) {
        if (!jl_sim_paper_deaf(device, &words, bytes[0], true)) {
            take_pixels(device, bytes, count);
            jl_sim_window_data(device, count, abs(chip->x_end - chip->x_start) + 1,
                               abs(chip->y_end - chip->y_start) + 1, 8);
        }
        return;
    }
    for (size_t i = 0; i < count; i++) {
        device->at = i;
        if (jl_sim_paper_deaf(device, &words, bytes[i], data)) {
            chip->base.known = false;
            chip->in_ram = false;
        } else if (data) {
            jl_sim_paper_argument(device, bytes[i], run);
        } else {
            take_command(device, bytes[i]);
        }
    }
}

static void power_on(struct jl_device *device) {
    struct ssd_paper_chip *chip = chip_of(device);
    jl_sim_device_noise(device, chip->ram, 2 * plane_bytes(device));
    load_defaults(device);
    jl_sim_paper_busy(device, 0, 1000);
}

static void reset(struct jl_device *device, bool low) {
    jl_sim_paper_reset(device, low, 10);
    load_defaults(device);
}

static bool output(struct jl_device *device, enum jl_device_pin pin, uint64_t at_ps) {
    return pin == JL_DEVICE_BUSY && jl_sim_paper_is_busy(device, at_ps);
}

static const char *why_dark(struct jl_device *device) {
    return jl_sim_paper_why(device,
                            "the glass shows what it showed before: the RAM was written, and no "
                            "update was started (22 F7, 20)",
                            "the glass never had an update (24 with the picture, 22 F7, 20)");
}

const struct machine jl_sim_ssd_paper_machine = {
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
