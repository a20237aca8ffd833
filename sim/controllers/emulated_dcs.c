/*
 * The machine behind the emulated MIPI DCS parts (DCS 1.02 section 6; the parts' datasheets for
 * times and limits). It takes whatever arrives: a command is a byte with D/C low, its
 * arguments have D/C high.
 *
 * The usual module, seen from the front with address mode 00: column 0 at the left, page 0 on
 * top, subpixels red, green, blue.
 *
 * Taken where the datasheets leave room:
 *  - Pixels of 5-6-5 are shown with their top bits repeated, as the default colour tables do.
 *  - Writing past the window goes on at its start.
 *  - Scanning begins when sleep ends, with the lines of vertical blanking; TE is high then.
 *  - A brightness of 51h counts while bit 5 of 53h switches its block on.
 */
#include "dcs.h"

#include <stddef.h>
#include <stdio.h>
#include <string.h>

#define MS_PS 1000000000u

enum { MODE_BGR = 0x08 }; /* the others are about the memory */

static struct dcs_chip *chip_of(struct jl_device *device) {
    return device->state;
}

static size_t cell_count(const struct dcs_chip *chip) {
    return (size_t)chip->width * (size_t)chip->height;
}

static uint32_t *seen_cells(struct dcs_chip *chip) {
    return chip->cells + cell_count(chip);
}

static bool fits(const struct jl_emulated_part *emulated, const struct jl_glass *glass) {
    const struct dcs_part *part = emulated->facts;
    int width = glass->ram_width ? glass->ram_width : part->ram_width;
    int height = glass->ram_height ? glass->ram_height : part->ram_height;
    return width <= part->ram_width && height <= part->ram_height &&
           glass->column_offset + glass->width <= width &&
           glass->row_offset + glass->height <= height;
}

/* What hardware and software reset have in common: the RAM stays as it is. */
static void load_defaults(struct dcs_chip *chip) {
    chip->address_mode = 0x00;
    chip->pixel_format = 0x66;
    chip->asleep = true;
    chip->was_awake = false;
    chip->on = chip->was_on = chip->inverted = chip->idle = chip->partial = false;
    chip->scrolling = chip->te_on = false;
    chip->column_start = chip->page_start = 0;
    chip->column_end = chip->width - 1;
    chip->page_end = chip->height - 1;
    chip->all_pixels = 0;
    chip->partial_start = 0;
    chip->partial_end = chip->height - 1;
    chip->scroll_top = chip->scroll_start = 0;
    chip->scroll_rows = chip->height;
    chip->brightness = chip->light_control = 0;
    chip->command_known = chip->writing = false;
    chip->pixel_bytes = 0;
    chip->unlocked = 0;
    memset(chip->kept_count, 0, sizeof chip->kept_count);
}

static void power_on(struct jl_device *device) {
    const struct dcs_part *part = device->part->facts;
    struct dcs_chip *chip = chip_of(device);
    const struct jl_glass *glass = &device->glass;
    chip->width = glass->ram_width ? glass->ram_width : part->ram_width;
    chip->height = glass->ram_height ? glass->ram_height : part->ram_height;
    for (size_t i = 0; i < cell_count(chip); i++) {
        uint8_t noise[3];
        jl_sim_device_noise(device, noise, sizeof noise);
        chip->cells[i] = (uint32_t)noise[0] << 16 | (uint32_t)noise[1] << 8 | noise[2];
    }
    memcpy(seen_cells(chip), chip->cells, cell_count(chip) * sizeof chip->cells[0]);
    load_defaults(chip);
}

/* ---- scan-out ---- */

static int page_of_line(const struct dcs_chip *chip, int line) {
    int in_area = line - chip->scroll_top;
    if (!chip->scrolling || in_area < 0 || in_area >= chip->scroll_rows) {
        return line;
    }
    return chip->scroll_top + (chip->scroll_start - chip->scroll_top + in_area) % chip->scroll_rows;
}

static void scan_line(struct dcs_chip *chip, int line) {
    size_t bytes = (size_t)chip->width * sizeof chip->cells[0];
    memcpy(seen_cells(chip) + (size_t)line * (size_t)chip->width,
           chip->cells + (size_t)page_of_line(chip, line) * (size_t)chip->width, bytes);
}

static int blank_lines(const struct dcs_chip *chip, const struct dcs_part *part) {
    return part->blank_lines ? part->blank_lines(chip) : part->blank_at_60_hz;
}

static uint64_t line_ps(const struct dcs_chip *chip, const struct dcs_part *part) {
    return part->line_ps ? part->line_ps(chip)
                         : 1000000000000u / 60 / (uint64_t)(chip->height + part->blank_at_60_hz);
}

static uint64_t lines_a_frame(const struct dcs_chip *chip, const struct dcs_part *part) {
    int lines = blank_lines(chip, part) + chip->height;
    return (uint64_t)lines;
}

static uint64_t frame_ps(const struct dcs_chip *chip, const struct dcs_part *part) {
    return line_ps(chip, part) * lines_a_frame(chip, part);
}

/* Lines that began up to a time, those of blanking included; each is read as it begins. */
static uint64_t lines_until(const struct dcs_chip *chip, const struct dcs_part *part,
                            uint64_t at_ps) {
    return at_ps <= chip->scan_start_ps ? 0
                                        : (at_ps - chip->scan_start_ps) / line_ps(chip, part) + 1;
}

/* Brings the glass up to now, before the RAM or a register changes. */
static void scan(struct jl_device *device, const struct dcs_part *part) {
    struct dcs_chip *chip = chip_of(device);
    uint64_t now = jl_board_now_ps(device->board);
    if (chip->asleep || chip->in_reset || now <= chip->scanned_ps) {
        return;
    }
    uint64_t from = lines_until(chip, part, chip->scanned_ps);
    uint64_t until = lines_until(chip, part, now);
    uint64_t a_frame = lines_a_frame(chip, part);
    if (until - from > a_frame) {
        from = until - a_frame;
    }
    for (; from < until; from++) {
        int line = (int)(from % a_frame) - blank_lines(chip, part);
        if (line >= 0) {
            scan_line(chip, line);
        }
    }
    chip->scanned_ps = now;
}

static bool output(struct jl_device *device, enum jl_device_pin pin, uint64_t at_ps) {
    (void)pin; /* TE is the only one */
    const struct dcs_part *part = device->part->facts;
    const struct dcs_chip *chip = chip_of(device);
    if (!chip->te_on || chip->asleep || chip->in_reset || at_ps < chip->scan_start_ps) {
        return false;
    }
    uint64_t in_frame = (at_ps - chip->scan_start_ps) % frame_ps(chip, part);
    return in_frame < line_ps(chip, part) * (uint64_t)blank_lines(chip, part);
}

static uint64_t output_change(struct jl_device *device, enum jl_device_pin pin, uint64_t after_ps) {
    (void)pin;
    const struct dcs_part *part = device->part->facts;
    const struct dcs_chip *chip = chip_of(device);
    if (!chip->te_on || chip->asleep || chip->in_reset) {
        return UINT64_MAX;
    }
    if (after_ps < chip->scan_start_ps) {
        return chip->scan_start_ps;
    }
    uint64_t frame = frame_ps(chip, part);
    uint64_t blank = line_ps(chip, part) * (uint64_t)blank_lines(chip, part);
    uint64_t in_frame = (after_ps - chip->scan_start_ps) % frame;
    return after_ps + (in_frame < blank ? blank - in_frame : frame - in_frame);
}

/* ---- commands ---- */

static int argument16(const struct dcs_chip *chip, int at) {
    return chip->arguments[at] << 8 | chip->arguments[at + 1];
}

static void set_range(struct jl_device *device, int limit, int *start, int *end) {
    struct dcs_chip *chip = chip_of(device);
    int first = argument16(chip, 0), last = argument16(chip, 2);
    const char *name = chip->command == 0x2A ? "set_column_address" : "set_page_address";
    if (last < first) {
        jl_sim_device_report(device, JL_SEVERITY_ERROR, JL_CODE_WINDOW_RANGE,
                             "%02X (%s) %d..%d: the end lies before the start, the range stays",
                             chip->command, name, first, last);
        return;
    }
    if (last >= limit) {
        jl_sim_device_report(device, JL_SEVERITY_ERROR, JL_CODE_WINDOW_RANGE,
                             "%02X (%s) %d..%d: the RAM ends at %d in this address mode; what lies "
                             "outside is lost",
                             chip->command, name, first, last, limit - 1);
    }
    *start = first;
    *end = last;
}

static void set_scroll_area(struct jl_device *device) {
    struct dcs_chip *chip = chip_of(device);
    int top = argument16(chip, 0), rows = argument16(chip, 2), bottom = argument16(chip, 4);
    if (top + rows + bottom != chip->height || rows < 1) {
        jl_sim_device_report(
            device, JL_SEVERITY_ERROR, JL_CODE_SCROLL_RANGE,
            "33 (set_scroll_area) %d + %d + %d lines: expected a sum of %d, the area "
            "stays",
            top, rows, bottom, chip->height);
        return;
    }
    chip->scroll_top = top;
    chip->scroll_rows = rows;
}

static void set_scroll_start(struct jl_device *device) {
    struct dcs_chip *chip = chip_of(device);
    int start = argument16(chip, 0);
    if (start < chip->scroll_top || start >= chip->scroll_top + chip->scroll_rows) {
        jl_sim_device_report(device, JL_SEVERITY_ERROR, JL_CODE_SCROLL_RANGE,
                             "37 (set_scroll_start) %d: expected a line of the scroll area, %d..%d",
                             start, chip->scroll_top, chip->scroll_top + chip->scroll_rows - 1);
        return;
    }
    chip->scroll_start = start;
    chip->scrolling = true;
}

static void set_pixel_format(struct jl_device *device, const struct dcs_part *part) {
    struct dcs_chip *chip = chip_of(device);
    unsigned format = chip->arguments[0] & 7;
    if (!(part->formats >> format & 1)) {
        jl_sim_device_report(device, JL_SEVERITY_ERROR, JL_CODE_PIXEL_FORMAT,
                             "3A (set_pixel_format) %02X: expected %s5 (16 bits) or 6 (18 bits) in "
                             "the low digit; the format stays",
                             chip->arguments[0],
                             part->formats >> 3 & 1   ? "3 (12 bits), "
                             : part->formats >> 1 & 1 ? "1 (3 bits), "
                                                      : "");
        return;
    }
    chip->pixel_format = chip->arguments[0];
    if (jl_sim_dcs_format(device, part) != format) {
        jl_sim_device_report(device, JL_SEVERITY_ERROR, JL_CODE_PIXEL_FORMAT,
                             "3A (set_pixel_format) %02X: no 16 bits a pixel on a serial bus, the "
                             "controller takes three bytes a pixel",
                             chip->arguments[0]);
    }
}

/* The controller hears nothing for a while. */
static void go_deaf(struct jl_device *device, int ms, const char *after) {
    struct dcs_chip *chip = chip_of(device);
    chip->deaf_until_ps = jl_board_now_ps(device->board) + (uint64_t)ms * MS_PS;
    chip->deaf_after = after;
    chip->deaf_reported = false;
}

static void toggle_sleep(struct jl_device *device, const struct dcs_part *part, bool asleep) {
    struct dcs_chip *chip = chip_of(device);
    uint64_t now = jl_board_now_ps(device->board);
    if (asleep != chip->asleep && chip->toggled_ps &&
        now - chip->toggled_ps < 120 * (uint64_t)MS_PS) {
        jl_sim_device_report(device, JL_SEVERITY_WARNING, JL_CODE_WAIT_TOO_SHORT,
                             "%02X came %.1f ms after the sleep mode changed, 120 ms are needed",
                             chip->command, (double)(now - chip->toggled_ps) / 1e9);
    }
    if (!asleep && now < chip->sleep_out_from_ps) {
        jl_sim_device_report(device, JL_SEVERITY_WARNING, JL_CODE_WAIT_TOO_SHORT,
                             "11 (exit_sleep_mode) came %.1f ms too early: 120 ms after a reset",
                             (double)(chip->sleep_out_from_ps - now) / 1e9);
    }
    if (asleep != chip->asleep) {
        chip->asleep = asleep;
        chip->was_awake = true;
        chip->toggled_ps = now;
        chip->scan_start_ps = chip->scanned_ps = now;
        go_deaf(device, asleep ? 5 : part->command_wait_ms,
                asleep ? "10 (enter_sleep_mode)" : "11 (exit_sleep_mode)");
    }
}

static void soft_reset(struct jl_device *device, const struct dcs_part *part) {
    struct dcs_chip *chip = chip_of(device);
    load_defaults(chip);
    chip->toggled_ps = 0;
    chip->sleep_out_from_ps = jl_board_now_ps(device->board) + 120 * (uint64_t)MS_PS;
    go_deaf(device, part->command_wait_ms, "01 (soft_reset)");
}

/* A command without arguments, or the last argument came. */
static void run_command(struct jl_device *device, const struct dcs_part *part) {
    struct dcs_chip *chip = chip_of(device);
    scan(device, part);
    jl_sim_dcs_read_begin(device);
    switch (chip->command) {
    case 0x01:
        soft_reset(device, part);
        break;
    case 0x10:
        toggle_sleep(device, part, true);
        break;
    case 0x11:
        toggle_sleep(device, part, false);
        break;
    case 0x12:
    case 0x13:
        chip->partial = chip->command == 0x12;
        chip->all_pixels = 0;
        chip->scrolling = false;
        break;
    case 0x20:
    case 0x21:
        chip->inverted = chip->command == 0x21;
        break;
    case 0x28:
    case 0x29:
        if (chip->on != (chip->command == 0x29)) {
            chip->on = !chip->on;
            chip->was_on |= chip->on;
            if (chip->on) {
                jl_sim_judge_on(device);
            }
        }
        break;
    case 0x2A:
        jl_sim_dcs_judge_bytes(device, part);
        jl_sim_window_end(device);
        set_range(device, jl_sim_dcs_column_limit(chip), &chip->column_start, &chip->column_end);
        break;
    case 0x2B:
        set_range(device, jl_sim_dcs_page_limit(chip), &chip->page_start, &chip->page_end);
        break;
    case 0x2C:
    case 0x2E:
        jl_sim_dcs_judge_bytes(device, part);
        jl_sim_window_end(device);
        chip->column = chip->column_start;
        chip->page = chip->page_start;
        chip->window_full = false;
        chip->writing = chip->command == 0x2C;
        break;
    case 0x22:
    case 0x23:
        chip->all_pixels = chip->command;
        break;
    case 0x30:
        chip->partial_start = argument16(chip, 0);
        chip->partial_end = argument16(chip, 2);
        break;
    case 0x33:
        set_scroll_area(device);
        break;
    case 0x34:
    case 0x35:
        chip->te_on = chip->command == 0x35;
        break;
    case 0x36:
        chip->address_mode = chip->arguments[0];
        jl_sim_judge_anew(device);
        break;
    case 0x37:
        set_scroll_start(device);
        break;
    case 0x38:
    case 0x39:
        chip->idle = chip->command == 0x39;
        break;
    case 0x3A:
        jl_sim_judge_setting(device, chip->on);
        set_pixel_format(device, part);
        break;
    case 0x3C:
        chip->writing = true;
        break;
    case 0x51:
        chip->brightness = chip->arguments[0];
        break;
    case 0x53:
        chip->light_control = chip->arguments[0];
        break;
    default:
        break;
    }
}

/* What the last command still lacked when another one comes. */
static void check_finished(struct jl_device *device) {
    struct dcs_chip *chip = chip_of(device);
    if (chip->command_known && chip->argument_count < chip->least_arguments) {
        jl_sim_device_report(device, JL_SEVERITY_ERROR, JL_CODE_ARGUMENT_COUNT,
                             "command %02X got %d argument(s), expected %d: it has no effect",
                             chip->command, chip->argument_count, chip->least_arguments);
    }
    if (chip->writing && chip->pixel_bytes) {
        jl_sim_device_report(device, JL_SEVERITY_ERROR, JL_CODE_PIXEL_CUT,
                             "the last pixel is cut: %d byte(s) of it are lost", chip->pixel_bytes);
    }
    chip->writing = false;
    chip->pixel_bytes = 0;
}

/* Behind a lock of keys: all of the maker's commands but reading the identity, and reading on SPI.
 */
static bool keys_are_missing(const struct dcs_chip *chip, const struct dcs_part *part,
                             uint8_t opcode) {
    return part->key_command && chip->unlocked < 2 && opcode >= 0xB0 &&
           opcode != part->key_command && opcode != 0xD3 && opcode != 0xFB;
}

static void tell_keys(struct jl_device *device, const struct dcs_part *part, uint8_t opcode) {
    char keys[24];
    if (part->keys[2]) {
        snprintf(keys, sizeof keys, "%02X %02X %02X %02X", part->key_command, part->keys[0],
                 part->keys[1], part->keys[2]);
    } else {
        snprintf(keys, sizeof keys, "%02X %02X and %02X %02X", part->key_command, part->keys[0],
                 part->key_command, part->keys[1]);
    }
    jl_sim_device_report(device, JL_SEVERITY_WARNING, JL_CODE_LOCKED,
                         "vendor command %02X without %s before it has no effect", opcode, keys);
}

static void try_key(struct dcs_chip *chip, const struct dcs_part *part) {
    uint8_t key = chip->arguments[0];
    if (chip->command != part->key_command) {
        return;
    }
    if (part->keys[2]) {
        if (chip->argument_count == 3) {
            chip->unlocked = memcmp(chip->arguments, part->keys, 3) == 0 ? 2 : 0;
        }
    } else if (chip->argument_count == 1) {
        if (chip->unlocked < 2 && key == part->keys[chip->unlocked]) {
            chip->unlocked++;
        } else if (key == part->closing_keys[0] || key == part->closing_keys[1]) {
            chip->unlocked = 0;
        }
    }
}

static bool vendor_locked(struct jl_device *device, const struct dcs_part *part, uint8_t opcode) {
    struct dcs_chip *chip = chip_of(device);
    if (opcode < 0x60 || (opcode >= 0xDA && opcode <= 0xDC)) {
        return false; /* no vendor's */
    }
    if (chip->unlocked < 2 && part->lock_after[0] &&
        (opcode == part->lock_after[0] || opcode == part->lock_after[1])) {
        chip->unlocked++;
    }
    return part->lock_after[0] && chip->unlocked < 2 && opcode != part->lock_after[0] &&
           opcode != part->lock_after[1] && opcode != 0xEB;
}

static void take_command(struct jl_device *device, const struct dcs_part *part, uint8_t opcode) {
    struct dcs_chip *chip = chip_of(device);
    check_finished(device);
    const struct command *known = jl_sim_take_opcode(device, opcode);
    chip->command = opcode;
    chip->argument_count = 0;
    chip->command_known = known != NULL;
    chip->command_ignored = false;
    chip->answers = false;
    if (!known) {
        return;
    }
    chip->least_arguments = known->least;
    chip->most_arguments = known->most;
    if (vendor_locked(device, part, opcode)) {
        jl_sim_device_report(device, JL_SEVERITY_WARNING, JL_CODE_LOCKED,
                             "vendor command %02X without FE and EF before it has no effect",
                             opcode);
    }
    if (keys_are_missing(chip, part, opcode)) {
        tell_keys(device, part, opcode);
    }
    if (chip->least_arguments == 0) {
        run_command(device, part);
    }
}

static void keep_vendor_argument(struct dcs_chip *chip) {
    int at = chip->argument_count - 1;
    if (chip->command >= 0xB0 && at < DCS_KEPT_ARGUMENTS) {
        chip->kept[chip->command][at] = chip->arguments[at];
        chip->kept_count[chip->command] = (uint8_t)(at + 1);
    }
}

static void take_argument(struct jl_device *device, const struct dcs_part *part, uint8_t byte) {
    struct dcs_chip *chip = chip_of(device);
    if (!chip->command_known) {
        return; /* told by the bus, where no command ever came */
    }
    if (chip->answers && jl_sim_device_is_serial(device)) {
        return; /* the clocks of a read: it looks at no data */
    }
    if (chip->argument_count == chip->most_arguments) {
        if (!chip->command_ignored) {
            chip->command_ignored = true;
            jl_sim_device_report(
                device, JL_SEVERITY_ERROR, JL_CODE_NO_WRITE_COMMAND,
                "command %02X takes %d argument(s), more came: pixels need 2C or 3C "
                "before them",
                chip->command, chip->most_arguments);
        }
        return;
    }
    chip->arguments[chip->argument_count++] = byte;
    keep_vendor_argument(chip);
    if (part->key_command) {
        try_key(chip, part);
    }
    if (chip->argument_count == chip->least_arguments) {
        run_command(device, part);
    }
}

/* ---- pins and buses ---- */

static void reset(struct jl_device *device, bool low) {
    const struct dcs_part *part = device->part->facts;
    struct dcs_chip *chip = chip_of(device);
    uint64_t now = jl_board_now_ps(device->board);
    scan(device, part);
    if (!low) {
        if (jl_sim_too_short(now - chip->reset_edge_ps, 10000000)) {
            jl_sim_device_report(device, JL_SEVERITY_WARNING, JL_CODE_RESET_TOO_SHORT,
                                 "reset was low for %.1f us, at least 10 us are needed",
                                 (double)(now - chip->reset_edge_ps) / 1e6);
        }
        go_deaf(device, 5, "reset");
        chip->sleep_out_from_ps = now + 120 * (uint64_t)MS_PS;
        chip->toggled_ps = 0;
    }
    chip->reset_edge_ps = now;
    load_defaults(chip);
    chip->in_reset = low;
    chip->reset_reported = false;
}

/* False when the controller hears nothing now. */
static bool listens(struct jl_device *device, uint8_t byte) {
    struct dcs_chip *chip = chip_of(device);
    uint64_t now = jl_board_now_ps(device->board);
    if (chip->in_reset) {
        if (!chip->reset_reported) {
            chip->reset_reported = true;
            jl_sim_device_report(device, JL_SEVERITY_ERROR, JL_CODE_RESET_HELD,
                                 "bytes arrive while the reset pin is low");
        }
        return false;
    }
    if (now < chip->deaf_until_ps) {
        if (!chip->deaf_reported) {
            chip->deaf_reported = true;
            jl_sim_device_report(device, JL_SEVERITY_ERROR, JL_CODE_BUSY,
                                 "%02X came %.2f ms too early after %s and is lost", byte,
                                 (double)(chip->deaf_until_ps - now) / 1e9, chip->deaf_after);
        }
        return false;
    }
    return true;
}

static unsigned bits_a_pixel(const struct jl_device *device, const struct dcs_part *part) {
    unsigned format = jl_sim_dcs_format(device, part);
    return format == 5 ? 16 : format == 3 ? 12 : format == 1 ? 4 : 24;
}

static void write(struct jl_device *device, const uint8_t *bytes, size_t count, bool data) {
    const struct dcs_part *part = device->part->facts;
    struct dcs_chip *chip = chip_of(device);
    if (!count || !listens(device, bytes[0])) {
        return;
    }
    scan(device, part);
    if (data && chip->writing) {
        jl_sim_dcs_take_pixels(device, part, bytes, count);
        unsigned bits = device->window.bytes ? device->window.bits : bits_a_pixel(device, part);
        jl_sim_judge_pixels(device, count, bits, chip->on);
        jl_sim_window_data(device, count, chip->column_end - chip->column_start + 1,
                           chip->page_end - chip->page_start + 1, bits);
        return;
    }
    for (size_t i = 0; i < count; i++) {
        device->at = i;
        if (data) {
            take_argument(device, part, bytes[i]);
        } else {
            take_command(device, part, bytes[i]);
        }
    }
}

static void write_words(struct jl_device *device, const uint16_t *words, size_t count, bool data) {
    enum { LOT = 256 };
    struct dcs_chip *chip = chip_of(device);
    uint8_t halves[2 * LOT];
    for (size_t done = 0, lot; done < count; done += lot) {
        /* Pixels take all lines; opcodes and arguments D7..D0. */
        bool pixels = data && chip->writing;
        lot = count - done < LOT ? count - done : LOT;
        device->at_base = done;
        device->at_word_bytes = pixels ? 2 : 1;
        for (size_t i = 0; pixels && i < lot; i++) {
            halves[2 * i] = (uint8_t)(words[done + i] >> 8);
            halves[2 * i + 1] = (uint8_t)words[done + i];
        }
        for (size_t i = 0; !pixels && i < lot; i++) {
            halves[i] = (uint8_t)words[done + i];
        }
        write(device, halves, pixels ? 2 * lot : lot, data);
    }
}

/* ---- the glass ---- */

static uint32_t shown_color(const struct dcs_chip *chip, const struct jl_glass *glass,
                            uint32_t color) {
    if (chip->all_pixels) {
        return chip->all_pixels == 0x23 ? 0xFFFFFF : 0;
    }
    if (chip->idle) { /* the top bit of each channel */
        color = (color & 0x808080) / 0x80 * 0xFF;
    }
    if (chip->inverted != glass->ips) {
        color ^= 0xFFFFFF;
    }
    if (((chip->address_mode & MODE_BGR) != 0) != glass->bgr) {
        color = (color & 0xFF) << 16 | (color & 0xFF00) | color >> 16;
    }
    return color;
}

/* With a start behind the end the area goes around: what lies between the two is off (DCS 6.22). */
static bool is_outside_partial(const struct dcs_chip *chip, int line) {
    return chip->partial_start <= chip->partial_end
               ? line < chip->partial_start || line > chip->partial_end
               : line < chip->partial_start && line > chip->partial_end;
}

static void show_cells(const struct jl_device *device, const uint32_t *cells, bool scanned,
                       struct jl_picture *picture) {
    const struct dcs_chip *chip = device->state;
    const struct dcs_part *part = device->part->facts;
    const struct jl_glass *glass = &device->glass;
    bool columns = part->mirrors_columns && part->mirrors_columns(chip);
    bool lines = part->mirrors_lines && part->mirrors_lines(chip);
    for (int y = 0; y < glass->height; y++) {
        int line = glass->row_offset + (glass->mirrored_y ? glass->height - 1 - y : y);
        line = lines ? chip->height - 1 - line : line;
        if (chip->partial && is_outside_partial(chip, line)) {
            continue;
        }
        int page = scanned ? line : page_of_line(chip, line);
        for (int x = 0; x < glass->width; x++) {
            int column = glass->column_offset + (glass->mirrored_x ? glass->width - 1 - x : x);
            column = columns ? chip->width - 1 - column : column;
            uint32_t color = shown_color(
                chip, glass, cells[(size_t)page * (size_t)chip->width + (size_t)column]);
            uint8_t *at = jl_picture_at(picture, x, y);
            at[0] = (uint8_t)(color >> 16);
            at[1] = (uint8_t)(color >> 8);
            at[2] = (uint8_t)color;
        }
    }
}

static bool behind(struct jl_device *device, int x, int y, struct place *place) {
    const struct dcs_part *part = device->part->facts;
    const struct dcs_chip *chip = device->state;
    const struct jl_glass *glass = &device->glass;
    int line = glass->row_offset + (glass->mirrored_y ? glass->height - 1 - y : y);
    int column = glass->column_offset + (glass->mirrored_x ? glass->width - 1 - x : x);
    bool columns = part->mirrors_columns && part->mirrors_columns(chip);
    bool lines = part->mirrors_lines && part->mirrors_lines(chip);
    place->line = page_of_line(chip, lines ? chip->height - 1 - line : line);
    column = columns ? chip->width - 1 - column : column;
    place->offset = offsetof(struct dcs_chip, cells) +
                    sizeof chip->cells[0] * (size_t)(place->line * chip->width + column);
    place->bytes = sizeof chip->cells[0];
    jl_sim_dcs_address_of(chip, column, place->line, &place->column, &place->row);
    return true;
}

static void window(const struct jl_device *device, struct window *window) {
    const struct dcs_chip *chip = device->state;
    *window =
        (struct window){chip->column_start, chip->column_end, chip->page_start, chip->page_end};
}

static void judge_more(struct jl_device *device) {
    const struct dcs_chip *chip = device->state;
    if (chip->all_pixels == 0x23) {
        jl_sim_device_report(device, JL_SEVERITY_WARNING, JL_CODE_ALL_ON,
                             "all pixels are on (23): 13 (enter_normal_mode) shows the RAM");
    }
    if (chip->partial) {
        jl_sim_device_report(device, JL_SEVERITY_WARNING, JL_CODE_PART_ON,
                             "partial mode (12): rows %d to %d only show; 13 shows all",
                             chip->partial_start, chip->partial_end);
    }
    if (chip->idle) {
        jl_sim_device_report(device, JL_SEVERITY_WARNING, JL_CODE_PART_ON,
                             "idle mode (39): 8 colours only; 38 (exit_idle_mode) shows all");
    }
    if (chip->inverted != device->glass.ips && !device->means_negative) {
        jl_sim_device_report(device, JL_SEVERITY_ERROR, JL_CODE_COLORS,
                             "the picture is a negative: this glass wants %s",
                             device->glass.ips ? "21 (enter_invert_mode), as IPS does"
                                               : "20 (exit_invert_mode)");
    }
    if (((chip->address_mode & MODE_BGR) != 0) != device->glass.bgr) {
        jl_sim_device_report(device, JL_SEVERITY_ERROR, JL_CODE_COLORS,
                             "red and blue are exchanged: this glass wants bit 3 of 36 (BGR) %s",
                             device->glass.bgr ? "set" : "cleared");
    }
}

static const struct geometry_words words = {.mirror = "MX, MY and MV (36)"};

static void show(struct jl_device *device, struct jl_picture *picture) {
    show_cells(device, chip_of(device)->cells, false, picture);
}

static void seen(struct jl_device *device, struct jl_picture *picture) {
    scan(device, device->part->facts);
    show_cells(device, seen_cells(chip_of(device)), true, picture);
}

static uint8_t brightness(struct jl_device *device) {
    const struct dcs_chip *chip = chip_of(device);
    if (!(chip->light_control & 0x20)) {
        return 255;
    }
    return chip->light_control & 0x04 ? chip->brightness : 0;
}

static const char *why_dark(struct jl_device *device) {
    const struct dcs_chip *chip = chip_of(device);
    if (chip->in_reset) {
        return "the controller is held in reset";
    }
    if (chip->asleep) {
        return chip->was_awake ? "the controller sleeps: 11 (exit_sleep_mode) wakes it"
                               : "the controller never left its sleep mode: send 11 "
                                 "(exit_sleep_mode) and wait";
    }
    if (!chip->on) {
        return chip->was_on ? "the display is switched off (28): 29 shows the RAM again"
                            : "the display was never switched on: send 29 (set_display_on) at the "
                              "end of the wake-up sequence";
    }
    if (chip->all_pixels == 0x22) {
        return "all pixels are switched off (22): 13 (enter_normal_mode) shows the RAM";
    }
    if (brightness(device) == 0) {
        return chip->light_control & 0x04
                   ? "the brightness is 0: 51 with a higher value raises it"
                   : "the light is off: 53 has bit 5 (brightness block) without bit 2 (light on)";
    }
    return NULL;
}

/* CS that rises ends a read over SPI; what is clocked behind the next edge is no answer. */
static void selected(struct jl_device *device) {
    struct dcs_chip *chip = chip_of(device);
    if (jl_sim_device_is_serial(device)) {
        chip->answers = chip->reading_memory = false;
        chip->reply_bits = 0;
    }
}

const struct stranger jl_sim_dcs_strangers[] = {
    {0x15, 0x15, "columns are an OLED controller's so; here 2A sets them"},
    {0x75, 0x75, "rows are an OLED controller's so; here 2B sets them"},
    {0x5C, 0x5C, "pixels are an OLED controller's so; here 2C begins them"},
    {0xAE, 0xAF, "that switches an OLED; here 29 switches the display on and 28 off"},
    {0, 0, NULL},
};

const struct machine jl_sim_dcs_machine = {
    .behind = behind,
    .window = window,
    .words = &words,
    .judge_more = judge_more,
    .fits = fits,
    .power_on = power_on,
    .reset = reset,
    .write = write,
    .write_words = write_words,
    .read = jl_sim_dcs_read,
    .read_word = jl_sim_dcs_read_word,
    .gives = jl_sim_dcs_gives,
    .selected = selected,
    .outputs = 1u << JL_DEVICE_TE,
    .output = output,
    .output_change = output_change,
    .show = show,
    .seen = seen,
    .brightness = brightness,
    .why_dark = why_dark,
};
