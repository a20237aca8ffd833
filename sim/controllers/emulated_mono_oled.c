/*
 * The emulated 1-bit OLED controllers: one machine, described by what the parts' datasheets
 * have differently. Written from the one of ssd1306 (rev 1.1; sections below are its): command
 * table, section 10, I2C framing 8.1.5, GDDRAM 8.7. It follows whatever bytes arrive.
 *
 * The picture comes about in the order of the silicon: segments and commons are
 * driven from RAM, commons reach the chip's left or right pads as the COM pins
 * configuration says, and the glass is bonded to pads. So a wrong register shows
 * the same wrong picture as on the bench.
 *
 * The usual module, seen from the front: segment 0 at the right, common 0 at the bottom,
 * neighbouring rows on alternate sides of the chip.
 *
 * Taken where the datasheets leave room:
 *  - A column remap acts when a byte is written (10.1.8): RAM is kept by segment.
 *  - In page addressing mode the column returns to the start column of 00h..1Fh.
 *  - 21h/22h in page mode keep their range for later, but move no pointer.
 *  - Scrolling moves the RAM itself, along column addresses: after 2Eh "the RAM
 *    data needs to be rewritten" (10.2.4). Emulated for ssd1306 and ssd1309.
 *  - Oscillator settings other than 8 are taken as 4 % a step (the datasheet gives
 *    only "increases with the value").
 *  - sh1106: what is written past column 131 is lost; nothing goes on to the next page.
 *  - sh1107: a column of the RAM is a common, and the bits of a page are eight segments; A0h/A1h
 *    and C0h/C8h act when the glass is driven; the column wraps within its page.
 */
#include "mono_oled.h"

#include <stddef.h>
#include <string.h>

enum { PADS_A_SIDE = 32 };

static struct mono_oled *chip_of(struct jl_device *device) {
    return device->state;
}

static const struct mono_oled_part *part_of(const struct jl_device *device) {
    return device->part->facts;
}

/* Table 9-1, the "reset" column of each command. */
static void load_reset_values(struct mono_oled *chip, const struct mono_oled_part *part) {
    struct mono_oled fresh = {
        .segments = part->segments,
        .pages = part->sideways ? 16 : 8,
        .lines = part->sideways ? 128 : 64,
        .addressing = ADDRESS_PAGE,
        .column_end = (uint8_t)(part->segments - 1),
        .page_end = part->sideways ? 15 : 7,
        .multiplex = part->sideways ? 127 : 63,
        .alternative_pins = true,
        .contrast = part->contrast_after_reset,
        .clock = part->clock_after_reset,
        .pump_enabled = part->pump_after_reset,
        .precharge = 0x22,
        .scroll_rows = part->sideways ? 128 : 64,
    };
    memcpy(fresh.ram, chip->ram, sizeof fresh.ram);
    fresh.reset_edge_ps = chip->reset_edge_ps;
    fresh.reset_pulsed = chip->reset_pulsed;
    *chip = fresh;
}

static bool fits(const struct jl_emulated_part *emulated, const struct jl_glass *glass) {
    const struct mono_oled_part *part = emulated->facts;
    return glass->column_offset + glass->width <= part->segments &&
           glass->height <= (part->sideways ? 128 : 64);
}

static void power_on(struct jl_device *device) {
    struct mono_oled *chip = chip_of(device);
    jl_sim_device_noise(device, &chip->ram[0][0], sizeof chip->ram);
    load_reset_values(chip, part_of(device));
}

/* ---- scrolling ---- */

/* One display frame: fosc / (divide * (phase1 + phase2 + 50) * rows), 10.1.16. */
static uint64_t frame_ps(const struct mono_oled *chip) {
    uint64_t oscillator_hz = 370000 - 8 * 14800 + (uint64_t)(chip->clock >> 4) * 14800;
    uint64_t clocks = (uint64_t)((chip->clock & 0x0F) + 1) *
                      ((chip->precharge & 0x0F) + (chip->precharge >> 4) + 50u) *
                      (chip->multiplex + 1u);
    return clocks * 1000000000000u / oscillator_hz;
}

static uint8_t segment_of_column(const struct mono_oled *chip, uint8_t column) {
    return chip->segment_remap && chip->lines == 64 ? (uint8_t)(chip->segments - 1 - column)
                                                    : column;
}

static void move_columns(struct mono_oled *chip) {
    const struct scroll *scroll = &chip->scroll;
    /* Towards higher segments when "right" runs along them. */
    bool up = scroll->left == chip->segment_remap;
    for (int page = scroll->first_page; page <= scroll->last_page && page < chip->pages; page++) {
        uint8_t *row = chip->ram[page];
        int last = chip->segments - 1;
        uint8_t around = up ? row[last] : row[0];
        if (up) {
            memmove(row + 1, row, (size_t)last);
            row[0] = around;
        } else {
            memmove(row, row + 1, (size_t)last);
            row[last] = around;
        }
    }
}

static void scroll_once(struct mono_oled *chip) {
    struct scroll *scroll = &chip->scroll;
    for (int i = 0; i < scroll->columns_a_step; i++) {
        move_columns(chip);
    }
    if (scroll->vertical_too && chip->scroll_rows) {
        scroll->vertical_shift = (scroll->vertical_shift + scroll->rows_a_step) % chip->scroll_rows;
    }
}

/* Catches up with the virtual clock. */
static void run_scroll(struct jl_device *device) {
    struct mono_oled *chip = chip_of(device);
    struct scroll *scroll = &chip->scroll;
    uint64_t now = jl_board_now_ps(device->board);
    uint64_t step = frame_ps(chip) * (uint64_t)scroll->frames_a_step;
    if (!scroll->running || now < scroll->next_ps) {
        return;
    }
    /* A whole turn of 128 columns and 64 rows changes nothing: skip those. */
    uint64_t steps = (now - scroll->next_ps) / step + 1;
    for (uint64_t i = steps % ((uint64_t)chip->segments * (uint64_t)chip->lines); i > 0; i--) {
        scroll_once(chip);
    }
    scroll->next_ps += steps * step;
}

/* ---- GDDRAM ---- */

/* The next value of a pointer that runs from start to end and around the whole RAM. */
static uint8_t step_pointer(uint8_t at, uint8_t start, uint8_t end, int whole) {
    return (uint8_t)(at == end ? start : (at + 1) % whole);
}

static void step_column(struct mono_oled *chip) {
    chip->column = step_pointer(chip->column, chip->column_start, chip->column_end, chip->segments);
}

static void step_page(struct mono_oled *chip) {
    chip->page = step_pointer(chip->page, chip->page_start, chip->page_end, chip->pages);
}

static void advance(struct mono_oled *chip, bool wraps) {
    bool column_done = chip->column == chip->column_end;
    bool page_done = chip->page == chip->page_end;
    switch (chip->addressing) {
    case ADDRESS_PAGE:
        chip->column = wraps ? step_pointer(chip->column, chip->page_mode_column,
                                            (uint8_t)(chip->segments - 1), chip->segments)
                             : (uint8_t)(chip->column + 1);
        break;
    case ADDRESS_HORIZONTAL:
        step_column(chip);
        if (column_done) {
            step_page(chip);
        }
        break;
    case ADDRESS_VERTICAL:
        step_page(chip);
        if (page_done) {
            step_column(chip);
        }
        break;
    }
}

static void take_data(struct jl_device *device, uint8_t byte) {
    struct mono_oled *chip = chip_of(device);
    if (chip->arguments_due) {
        jl_sim_device_report(
            device, JL_SEVERITY_ERROR, JL_CODE_ARGUMENT_AS_DATA,
            "data 0x%02X arrived while command 0x%02X still waits for %d argument(s)", byte,
            chip->command, chip->arguments_due - chip->argument_count);
        /* D/C decides: the byte goes to the RAM, the command keeps waiting. */
    }
    if (chip->scroll.running && !chip->scroll_reported) {
        chip->scroll_reported = true;
        jl_sim_device_report(device, JL_SEVERITY_ERROR, JL_CODE_SCROLL_RUNNING,
                             "RAM written while the scroll runs: send 2E first (datasheet 10.2.3)");
    }
    if (!chip->on && chip->was_on && !chip->asleep_reported) {
        chip->asleep_reported = true;
        jl_sim_device_report(
            device, JL_SEVERITY_NOTE, JL_CODE_ASLEEP,
            "data arrives while the display sleeps: the RAM takes it, nothing shows until AF");
    }
    if (chip->column >= chip->segments) {
        if (!chip->past_reported) {
            chip->past_reported = true;
            jl_sim_device_report(
                device, JL_SEVERITY_ERROR, JL_CODE_COLUMN_END,
                "data past the last column, %d, are lost: set a page (B0..B7) and a "
                "column (10, 00) before each line",
                chip->segments - 1);
        }
        return;
    }
    uint8_t *place = &chip->ram[chip->page][segment_of_column(chip, chip->column)];
    jl_sim_stored(device, 1, *place != byte);
    *place = byte;
    advance(chip, !part_of(device)->column_stops);
}

/* Bytes of data came. */
static void account(struct jl_device *device, size_t bytes) {
    struct mono_oled *chip = chip_of(device);
    bool by_pages = chip->addressing == ADDRESS_PAGE;
    jl_sim_judge_pixels(device, bytes, 1, chip->on);
    jl_sim_window_data(device, bytes,
                       by_pages ? chip->segments - chip->page_mode_column
                                : chip->column_end - chip->column_start + 1,
                       by_pages ? 1 : chip->page_end - chip->page_start + 1, 8);
    if (by_pages && !part_of(device)->column_stops && !chip->overrun_reported &&
        device->window.bytes > (uint64_t)chip->segments) {
        chip->overrun_reported = true;
        jl_sim_device_report(device, JL_SEVERITY_ERROR, JL_CODE_PAGE_OVERRUN,
                             "more than %d bytes without a page command: in page addressing mode "
                             "they overwrite the same 8 rows; %s",
                             chip->segments,
                             part_of(device)->sideways ? "give each page its address (B0..BF)"
                                                       : "20 00 takes a whole picture");
    }
}

static void judge_more(struct jl_device *device) {
    if (chip_of(device)->all_on) {
        jl_sim_device_report(device, JL_SEVERITY_WARNING, JL_CODE_ALL_ON,
                             "all pixels are on (A5): A4 shows the RAM");
    }
}

/* ---- commands ---- */

/* Reports an argument that sets bits the datasheet has as 0, or lies outside its range. */
static void expect(struct jl_device *device, bool good, uint8_t argument, const char *right) {
    struct mono_oled *chip = chip_of(device);
    if (!good) {
        jl_sim_device_report(device, JL_SEVERITY_ERROR, JL_CODE_ARGUMENT_VALUE,
                             "command 0x%02X (%s): argument 0x%02X, expected %s%s", chip->command,
                             jl_sim_find_command(device->part->commands, chip->command)->name,
                             argument, right, jl_sim_slip_words(device, argument));
    }
}

static bool has_no_effect(const struct jl_device *device, uint8_t opcode) {
    return opcode && strchr(part_of(device)->no_effect, opcode);
}

static void set_window(struct jl_device *device, uint8_t limit, uint8_t *start, uint8_t *end,
                       uint8_t *pointer) {
    struct mono_oled *chip = chip_of(device);
    const uint8_t *a = chip->arguments;
    const char *range = limit == 127 ? "00..7F" : limit == chip->pages - 1 ? "00..07" : "00..83";
    expect(device, a[0] <= limit, a[0], range);
    expect(device, a[1] <= limit, a[1], range);
    *start = (uint8_t)(a[0] % (limit + 1));
    *end = (uint8_t)(a[1] % (limit + 1));
    expect(device, *end >= *start, a[1], "an end not before the start");
    if (chip->addressing == ADDRESS_PAGE) {
        jl_sim_device_report(
            device, JL_SEVERITY_WARNING, JL_CODE_WRONG_MODE,
            "command 0x%02X has no effect in page addressing mode: send 20 00 first",
            chip->command);
    } else {
        *pointer = *start;
    }
}

static void set_scroll(struct jl_device *device, bool vertical_too) {
    /* The ssd1305 has other intervals, and no dummies behind: its columns come first. */
    static const int frames[2][8] = {{5, 64, 128, 256, 3, 4, 25, 2}, {6, 32, 64, 128, 3, 4, 2, 2}};
    bool columns = part_of(device)->scroll_columns;
    struct mono_oled *chip = chip_of(device);
    const uint8_t *a = chip->arguments;
    struct scroll *scroll = &chip->scroll;
    if (scroll->running) {
        jl_sim_device_report(
            device, JL_SEVERITY_ERROR, JL_CODE_SCROLL_RUNNING,
            "command 0x%02X while the scroll runs: send 2E first (datasheet 10.2.3)",
            chip->command);
    }
    if (columns) {
        expect(device, a[0] <= 4, a[0], "00..04 columns");
    } else {
        expect(device, a[0] == 0x00, a[0], "00 (dummy)");
    }
    expect(device, a[1] <= 7, a[1], "a page 00..07");
    expect(device, a[2] <= 7, a[2], "an interval 00..07");
    expect(device, a[3] <= 7 && (a[3] & 7) >= (a[1] & 7), a[3], "a page not before the first one");
    if (vertical_too) {
        expect(device, a[4] <= 63, a[4], "00..3F rows");
    } else if (!columns) {
        expect(device, a[4] == 0x00, a[4], "00 (dummy)");
        expect(device, a[5] == 0xFF, a[5], "FF (dummy)");
    }
    scroll->left = chip->command == 0x27 || chip->command == 0x2A;
    scroll->vertical_too = vertical_too;
    scroll->first_page = a[1] & 7;
    scroll->frames_a_step = frames[columns][a[2] & 7];
    scroll->last_page = a[3] & 7;
    scroll->columns_a_step = columns ? a[0] & 7 : 1;
    scroll->rows_a_step = vertical_too ? a[4] & 63 : 0;
}

static void start_scroll(struct jl_device *device) {
    struct mono_oled *chip = chip_of(device);
    if (!chip->scroll.frames_a_step) {
        jl_sim_device_report(
            device, JL_SEVERITY_WARNING, JL_CODE_SCROLL_NOT_SET,
            "scroll start without a scroll setup (26, 27, 29 or 2A) has no effect");
        return;
    }
    chip->scroll.running = true;
    chip->scroll_reported = false;
    chip->scroll.next_ps =
        jl_board_now_ps(device->board) + frame_ps(chip) * (uint64_t)chip->scroll.frames_a_step;
}

static void switch_display(struct jl_device *device, bool on) {
    struct mono_oled *chip = chip_of(device);
    bool comes = on && !chip->on;
    chip->on = on;
    if (comes) {
        chip->on_since_ps = jl_board_now_ps(device->board);
        chip->was_on = true;
        chip->asleep_reported = false;
        jl_sim_judge_on(device);
    }
    /* 8Dh 14h takes effect with the AFh that follows it (application note, charge pump). */
    if (on) {
        chip->pump_running = chip->pump_enabled;
    }
}

/* ssd1305: AD 8E, the panel voltage comes from outside. sh1106 and ssd0303: the converter,
 * 8A off, 8B on. */
static void run_supply(struct jl_device *device, uint8_t argument) {
    struct mono_oled *chip = chip_of(device);
    if (part_of(device)->supply != MONO_OLED_CONVERTER) {
        expect(device, argument == 0x8E, argument, "8E");
        return;
    }
    expect(device, argument == 0x8A || argument == 0x8B, argument, "8A (off) or 8B (on)");
    if (chip->on) {
        jl_sim_device_report(
            device, JL_SEVERITY_ERROR, JL_CODE_WRONG_MODE,
            "the converter may be switched while the display is off only: send AE first");
    }
    chip->pump_enabled = argument & 1;
}

static void run_command_with_arguments(struct jl_device *device) {
    struct mono_oled *chip = chip_of(device);
    uint8_t a = chip->arguments[0];
    if (has_no_effect(device, chip->command)) {
        return;
    }
    switch (chip->command) {
    case 0x20:
        jl_sim_window_end(device);
        expect(device, a <= 2, a, "00 horizontal, 01 vertical or 02 page");
        chip->addressing = (a & 3) == 3 ? ADDRESS_PAGE : (enum addressing)(a & 3);
        break;
    case 0x21:
        jl_sim_window_end(device);
        set_window(device, (uint8_t)(chip->segments - 1), &chip->column_start, &chip->column_end,
                   &chip->column);
        break;
    case 0x22:
        jl_sim_window_end(device);
        set_window(device, (uint8_t)(chip->pages - 1), &chip->page_start, &chip->page_end,
                   &chip->page);
        break;
    case 0x23:
    case 0xD6:
        jl_sim_device_report(
            device, a ? JL_SEVERITY_WARNING : JL_SEVERITY_NOTE, JL_CODE_NOT_SHOWN,
            "command 0x%02X %02X exists on later revisions only%s", chip->command, a,
            a ? ": a picture that fades or is zoomed is not shown here" : ", and is off");
        break;
    case 0x26:
    case 0x27:
        set_scroll(device, false);
        break;
    case 0x29:
    case 0x2A:
        set_scroll(device, true);
        break;
    case 0x81:
        chip->contrast = a;
        break;
    case 0x8D:
        expect(device, (a & 0xFB) == 0x10, a, "10 (off) or 14 (on)");
        chip->pump_enabled = (a & 0x04) != 0;
        if (chip->pump_enabled && device->glass.external_supply) {
            jl_sim_device_report(device, JL_SEVERITY_WARNING, JL_CODE_SUPPLY,
                                 "8D switches the charge pump on, and VCC comes from outside, too");
        }
        chip->pump_running = chip->pump_running && chip->pump_enabled;
        break;
    case 0xA3:
        expect(device, a <= 63, a, "00..3F fixed rows");
        expect(device, (a & 63) + (chip->arguments[1] & 127) <= chip->multiplex + 1,
               chip->arguments[1], "fixed rows + scroll rows within the multiplex ratio");
        chip->fixed_rows = a & 63;
        chip->scroll_rows = chip->arguments[1] & 127;
        break;
    case 0xA8:
        jl_sim_judge_setting(device, chip->on);
        if (part_of(device)->sideways) {
            expect(device, a <= 127, a, "00..7F (columns of the glass - 1)");
            chip->multiplex = a & 127;
        } else {
            expect(device, a >= 15 && a <= 63, a, "0F..3F (rows - 1)");
            /* 0..14 are invalid entries: the ratio stays. */
            chip->multiplex = (a & 63) >= 15 ? a & 63 : chip->multiplex;
        }
        jl_sim_judge_anew(device);
        break;
    case 0xAB: /* a dummy, the contrast while dimmed, and the brightness of its area colours */
        chip->dim_contrast = chip->arguments[1];
        break;
    case 0xAD:
        run_supply(device, a);
        break;
    case 0xFD:
        expect(device, a == 0x12 || a == 0x16, a, "12 (unlock) or 16 (lock)");
        chip->locked = a == 0x16;
        break;
    case 0xD3:
        expect(device, a < chip->lines, a, chip->lines == 64 ? "00..3F" : "00..7F");
        chip->offset = (uint8_t)(a & (chip->lines - 1));
        break;
    case 0xDC: /* of ssd1309 its GPIO */
        if (part_of(device)->sideways) {
            expect(device, a <= 127, a, "00..7F");
            chip->start_line = a & 127;
        }
        break;
    case 0xD5:
        chip->clock = a;
        break;
    case 0xD9:
        expect(device, (a & 0x0F) && (a >> 4), a, "1..F clocks in both halves");
        chip->precharge = a;
        break;
    case 0xDA:
        jl_sim_judge_setting(device, chip->on);
        expect(device, (a & 0xCF) == 0x02, a, "02, 12, 22 or 32");
        jl_sim_judge_anew(device);
        chip->alternative_pins = (a & 0x10) != 0;
        chip->swap_sides = (a & 0x20) != 0;
        break;
    case 0xDB:
        if (!part_of(device)->fine_deselect) {
            /* 40 is in field use, and means a level between those that the table names. */
            expect(device, a == 0x00 || a == 0x20 || a == 0x30 || a == 0x40, a, "00, 20, 30 or 40");
        }
        break;
    default:
        break;
    }
}

static void run_plain_command(struct jl_device *device, uint8_t opcode) {
    struct mono_oled *chip = chip_of(device);
    if (has_no_effect(device, opcode)) {
        return;
    }
    if (opcode <= 0x1F || (opcode >= 0xB0 && opcode <= 0xBF)) {
        jl_sim_window_end(device);
        if (chip->addressing != ADDRESS_PAGE && !part_of(device)->sideways) {
            jl_sim_device_report(device, JL_SEVERITY_WARNING, JL_CODE_WRONG_MODE,
                                 "command 0x%02X is for page addressing mode only: no effect now",
                                 opcode);
        } else if (opcode <= 0x0F) {
            chip->page_mode_column = (chip->page_mode_column & 0xF0) | opcode;
            chip->column = chip->page_mode_column;
        } else if (opcode <= 0x1F) {
            chip->page_mode_column =
                (uint8_t)((chip->page_mode_column & 0x0F) |
                          (opcode & (chip->segments > 128 ? 0x0F : 0x07)) << 4);
            chip->column = chip->page_mode_column;
        } else {
            chip->page = (uint8_t)(opcode & (chip->pages - 1));
        }
    } else if (opcode >= 0x40 && opcode <= 0x7F) {
        chip->start_line = opcode & 63;
    } else {
        switch (opcode) {
        case 0x20:
        case 0x21:
            jl_sim_window_end(device);
            chip->addressing = opcode & 1 ? ADDRESS_VERTICAL : ADDRESS_PAGE;
            break;
        case 0x2E:
            chip->scroll.running = false;
            chip->scroll.vertical_shift = 0;
            break;
        case 0x2F:
            start_scroll(device);
            break;
        case 0xA0:
        case 0xA1:
            chip->segment_remap = opcode & 1;
            jl_sim_judge_anew(device);
            break;
        case 0xA4:
        case 0xA5:
            chip->all_on = opcode & 1;
            break;
        case 0xA6:
        case 0xA7:
            chip->inverted = opcode & 1;
            break;
        case 0xAC: /* on, with the contrast of AB */
        case 0xAE:
        case 0xAF:
            switch_display(device, opcode != 0xAE);
            chip->dimmed = opcode == 0xAC;
            break;
        case 0xC0:
        case 0xC8:
            chip->common_remap = opcode == 0xC8;
            jl_sim_judge_anew(device);
            break;
        case 0xE0:
            chip->read_modify_write = true;
            chip->column_before = chip->column;
            break;
        case 0xEE:
            chip->column = chip->read_modify_write ? chip->column_before : chip->column;
            chip->read_modify_write = false;
            break;
        default: /* E3 */
            break;
        }
    }
}

static void take_command_byte(struct jl_device *device, uint8_t byte) {
    struct mono_oled *chip = chip_of(device);
    if (chip->arguments_due) {
        chip->arguments[chip->argument_count++] = byte;
        if (chip->argument_count == chip->arguments_due) {
            run_command_with_arguments(device);
            chip->arguments_due = 0;
        }
        return;
    }
    if (chip->locked && byte != 0xFD) {
        if (!chip->lock_reported) {
            chip->lock_reported = true;
            jl_sim_device_report(device, JL_SEVERITY_ERROR, JL_CODE_LOCKED,
                                 "command 0x%02X while locked by FD 16: send FD 12 first", byte);
        }
        return;
    }
    const struct command *info = jl_sim_take_opcode(device, byte);
    if (!info) {
        return;
    }
    chip->command = byte;
    chip->argument_count = 0;
    chip->arguments_due = info->least;
    if (!info->least) {
        run_plain_command(device, byte);
    }
}

/* ---- the pins and buses ---- */

static void reset(struct jl_device *device, bool low) {
    struct mono_oled *chip = chip_of(device);
    uint64_t now = jl_board_now_ps(device->board);
    uint64_t least_us = part_of(device)->reset_us;
    if (!low && jl_sim_too_short(now - chip->reset_edge_ps, least_us * 1000000)) {
        jl_sim_device_report(
            device, JL_SEVERITY_WARNING, JL_CODE_RESET_TOO_SHORT,
            "reset was low for %llu ns, at least %llu us are needed (datasheet 8.9)",
            (unsigned long long)((now - chip->reset_edge_ps) / 1000), (unsigned long long)least_us);
    }
    chip->reset_edge_ps = now;
    chip->reset_pulsed = !low;
    load_reset_values(chip, part_of(device));
    chip->in_reset = low;
}

/* False when the chip is held in reset and hears nothing. */
static bool listens(struct jl_device *device) {
    struct mono_oled *chip = chip_of(device);
    run_scroll(device);
    if (chip->in_reset && !chip->reset_reported) {
        chip->reset_reported = true;
        jl_sim_device_report(device, JL_SEVERITY_ERROR, JL_CODE_RESET_HELD,
                             "bytes arrive while the reset pin is low");
    }
    uint64_t since = jl_board_now_ps(device->board) - chip->reset_edge_ps;
    uint64_t least_us = part_of(device)->recovery_us;
    if (chip->reset_pulsed && since < least_us * 1000000 && !chip->recovery_reported) {
        chip->recovery_reported = true;
        jl_sim_device_report(device, JL_SEVERITY_WARNING, JL_CODE_RESET_RECOVERY,
                             "first byte %llu ns after reset, at least %llu us are needed",
                             (unsigned long long)(since / 1000), (unsigned long long)least_us);
    }
    return !chip->in_reset;
}

static bool i2c_begin(struct jl_device *device, bool read) {
    control_begin(&chip_of(device)->control);
    (void)read; /* both directions are acknowledged */
    return listens(device);
}

static bool i2c_write(struct jl_device *device, uint8_t byte) {
    struct mono_oled *chip = chip_of(device);
    if (chip->in_reset) {
        return false;
    }
    if (!control_took(device, &chip->control, byte)) {
        if (chip->control.data) {
            take_data(device, byte);
            account(device, 1);
        } else {
            take_command_byte(device, byte);
        }
    }
    return true;
}

/* The status byte: bit 6 is 1 while the display is off (table 9-1, read status). */
static uint8_t i2c_read(struct jl_device *device) {
    return chip_of(device)->on ? 0x00 : 0x40;
}

/*
 * On a parallel bus, with D/C low the status; with D/C high the RAM, behind a dummy byte after each
 * change of the address (8.1.1). The serial buses cannot be read.
 */
static uint8_t read(struct jl_device *device) {
    struct mono_oled *chip = chip_of(device);
    if (jl_sim_device_is_serial(device) || !listens(device)) {
        return 0xFF;
    }
    if (!device->pins[JL_DEVICE_DC]) {
        return i2c_read(device);
    }
    uint8_t byte = chip->read_ahead;
    chip->read_ahead = chip->column < chip->segments
                           ? chip->ram[chip->page][segment_of_column(chip, chip->column)]
                           : 0xFF;
    if (!chip->read_modify_write && chip->column < chip->segments) {
        advance(chip, !part_of(device)->column_stops);
    }
    return byte;
}

static void write(struct jl_device *device, const uint8_t *bytes, size_t count, bool data) {
    if (!listens(device)) {
        return;
    }
    for (size_t i = 0; i < count; i++) {
        device->at = i;
        if (data) {
            take_data(device, bytes[i]);
        } else {
            take_command_byte(device, bytes[i]);
        }
    }
    if (data) {
        account(device, count);
    }
}

/* ---- the glass ---- */

/*
 * The pad that a glass row is bonded to: 0..31 on side A, 32..63 on side B.
 * Seen from common 0 on, alternate bonding takes A, B, A, B ...; sequential
 * bonding takes all of A, then B. Long glass whose rows all fit on side A (128x32, 96x16) is
 * usually sequential; short glass leads half of its rows round each end.
 */
static int pad_of_row(const struct jl_glass *glass, int y) {
    int row = glass->mirrored_y ? y : glass->height - 1 - y;
    bool one_side = glass->height <= PADS_A_SIDE && glass->width >= 96;
    if (one_side != glass->rows_other) {
        return row;
    }
    return row % 2 * PADS_A_SIDE + row / 2;
}

/* The common output that drives a pad, by the COM pins configuration (10.1.18). */
static int common_of_pad(const struct mono_oled *chip, int pad) {
    int side = pad / PADS_A_SIDE;
    int place = pad % PADS_A_SIDE;
    if (chip->swap_sides) {
        side = 1 - side;
    }
    return chip->alternative_pins ? place * 2 + side : side * PADS_A_SIDE + place;
}

/* The scanned row shown on a common output, or -1 when none drives it (tables 10-1, 10-2). */
static int row_of_common(const struct mono_oled *chip, int common) {
    int rows = chip->multiplex + 1, lines = chip->lines;
    int row = chip->common_remap ? (rows - 1 + chip->offset - common + 2 * lines) % lines
                                 : (common + chip->offset) % lines;
    return row < rows ? row : -1;
}

static int ram_line_of_row(const struct mono_oled *chip, int row) {
    int last = chip->fixed_rows + chip->scroll_rows;
    if (row >= chip->fixed_rows && row < last) {
        row = chip->fixed_rows +
              (row - chip->fixed_rows + chip->scroll.vertical_shift) % chip->scroll_rows;
    }
    return (row + chip->start_line) % chip->lines;
}

/*
 * The RAM behind a pixel of sideways glass: its columns are bonded to commons from the left on, its
 * rows to segments from the top on. False: nothing drives the column.
 */
static bool sideways_ram(const struct mono_oled *chip, const struct jl_glass *glass, int x, int y,
                         int *column, int *bit) {
    int common = glass->column_offset + x;
    int row = row_of_common(chip, glass->mirrored_x ? chip->lines - 1 - common : common);
    if (row < 0) {
        return false;
    }
    *column = ram_line_of_row(chip, row);
    int segment = glass->mirrored_y ? glass->height - 1 - y : y;
    *bit = chip->segment_remap ? 8 * chip->pages - 1 - segment : segment;
    return true;
}

static bool lit(const struct mono_oled *chip, int page_row, int column) {
    bool bit = chip->ram[page_row / 8][column] >> (page_row % 8) & 1;
    return chip->all_on || bit != chip->inverted;
}

static void show_sideways(struct jl_device *device, struct jl_picture *picture) {
    const struct mono_oled *chip = chip_of(device);
    for (int y = 0; y < device->glass.height; y++) {
        for (int x = 0; x < device->glass.width; x++) {
            int column, bit;
            if (sideways_ram(chip, &device->glass, x, y, &column, &bit) && lit(chip, bit, column)) {
                memset(jl_picture_at(picture, x, y), 255, 3);
            }
        }
    }
}

static bool behind_sideways(struct jl_device *device, int x, int y, struct place *place) {
    const struct mono_oled *chip = chip_of(device);
    if (!sideways_ram(chip, &device->glass, x, y, &place->column, &place->row)) {
        return false;
    }
    place->line = place->column;
    place->offset = offsetof(struct mono_oled, ram) +
                    (size_t)(place->row / 8) * sizeof chip->ram[0] + (size_t)place->column;
    place->bytes = 1;
    return true;
}

static void show(struct jl_device *device, struct jl_picture *picture) {
    run_scroll(device);
    const struct mono_oled *chip = chip_of(device);
    const struct jl_glass *glass = &device->glass;
    for (int y = 0; y < glass->height; y++) {
        int row = row_of_common(chip, common_of_pad(chip, pad_of_row(glass, y)));
        if (row < 0) {
            continue;
        }
        int line = ram_line_of_row(chip, row);
        for (int x = 0; x < glass->width; x++) {
            int output = glass->column_offset + x;
            int segment = glass->mirrored_x ? output : chip->segments - 1 - output;
            if (lit(chip, line, segment)) {
                memset(jl_picture_at(picture, x, y), 255, 3);
            }
        }
    }
}

static bool behind(struct jl_device *device, int x, int y, struct place *place) {
    const struct mono_oled *chip = chip_of(device);
    const struct jl_glass *glass = &device->glass;
    int row = row_of_common(chip, common_of_pad(chip, pad_of_row(glass, y)));
    if (row < 0) {
        return false;
    }
    int output = glass->column_offset + x, last = chip->segments - 1;
    int segment = glass->mirrored_x ? output : last - output;
    place->line = place->row = ram_line_of_row(chip, row);
    place->column = chip->segment_remap ? last - segment : segment;
    place->offset = offsetof(struct mono_oled, ram) +
                    (size_t)(place->line / 8) * sizeof chip->ram[0] + (size_t)segment;
    place->bytes = 1;
    return true;
}

static void window(const struct jl_device *device, struct window *window) {
    const struct mono_oled *chip = device->state;
    bool by_pages = chip->addressing == ADDRESS_PAGE;
    window->first_column = by_pages ? chip->page_mode_column : chip->column_start;
    window->last_column = by_pages ? chip->segments - 1 : chip->column_end;
    window->first_row = 8 * (by_pages ? chip->page : chip->page_start);
    window->last_row = 8 * (by_pages ? chip->page : chip->page_end) + 7;
}

static const struct geometry_words words = {
    .rows = "the multiplex ratio (A8)",
    .order = "COM pins (DA)",
    .roll = "start line 40..7F, offset D3",
    .mirror = "A0/A1 (columns) and C0/C8 (rows)",
};

static uint8_t brightness(struct jl_device *device) {
    const struct mono_oled *chip = chip_of(device);
    return chip->dimmed ? chip->dim_contrast : chip->contrast;
}

static const char *why_dark(struct jl_device *device) {
    const struct mono_oled *chip = chip_of(device);
    /* tAF: segments and commons are driven 100 ms after AFh (section 8.9, power-on sequence). */
    const uint64_t light_delay_ps = 100000000000u;
    if (chip->in_reset) {
        return "the controller is held in reset";
    }
    if (!chip->on && chip->was_on) {
        return "the display sleeps (AE): AF shows the RAM again";
    }
    if (!chip->on) {
        return "the display was never switched on: send AF at the end of the wake-up sequence";
    }
    if (part_of(device)->supply == MONO_OLED_CONVERTER && !device->glass.external_supply &&
        !chip->pump_enabled) {
        return "the DC-DC converter is off and no panel voltage comes from outside: send AD 8B "
               "before AF";
    }
    if (part_of(device)->supply == MONO_OLED_PUMP && !device->glass.external_supply &&
        !chip->pump_running) {
        return chip->pump_enabled
                   ? "the charge pump was enabled after AF: send 8D 14 before AF"
                   : "the charge pump is off and no panel voltage comes from outside: send 8D 14 "
                     "before AF";
    }
    if (jl_board_now_ps(device->board) - chip->on_since_ps < light_delay_ps) {
        return "the display was switched on less than 100 ms ago";
    }
    return NULL;
}

static const struct geometry_words sideways_words = {
    .rows = "the multiplex ratio (A8)",
    .roll = "start line DC, offset D3",
    .mirror = "A0/A1 (rows) and C0/C8 (columns)",
    .columns = true,
};

#define MONO_OLED_MACHINE                                                                          \
    .window = window, .judge_more = judge_more, .fits = fits, .power_on = power_on,                \
    .reset = reset, .i2c_begin = i2c_begin, .i2c_write = i2c_write, .i2c_read = i2c_read,          \
    .read = read, .write = write, .brightness = brightness, .why_dark = why_dark

const struct machine jl_sim_mono_oled_machine = {
    .behind = behind, .words = &words, .show = show, MONO_OLED_MACHINE};

const struct machine jl_sim_sideways_oled_machine = {
    .behind = behind_sideways, .words = &sideways_words, .show = show_sideways, MONO_OLED_MACHINE};
