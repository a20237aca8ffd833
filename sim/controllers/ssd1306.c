/*
 * Emulated ssd1306, from the datasheet (rev 1.1): command table and section 10,
 * I2C framing 8.1.5, GDDRAM 8.7. It holds 8 pages of 128 segments, and follows
 * whatever bytes arrive.
 *
 * The picture comes about in the order of the silicon: segments and commons are
 * driven from RAM, commons reach the chip's left or right pads as the COM pins
 * configuration says, and the glass is bonded to pads. So a wrong register shows
 * the same wrong picture as on the bench.
 *
 * The usual module, seen from the front: segment 0 at the right, common 0 at the bottom,
 * neighbouring rows on alternate sides of the chip, the panel voltage from its own pump.
 *
 * Taken where the datasheet leaves room:
 *  - A column remap acts when a byte is written (10.1.8): RAM is kept by segment.
 *  - In page addressing mode the column returns to the start column of 00h..1Fh.
 *  - 21h/22h in page mode keep their range for later, but move no pointer.
 *  - Scrolling moves the RAM itself, along column addresses: after 2Eh "the RAM
 *    data needs to be rewritten" (10.2.4).
 *  - Oscillator settings other than 8 are taken as 4 % a step (the datasheet gives
 *    only "increases with the value").
 */
#include "control_byte.h"

#include "jadelamp/sim/emulators.h"

#include <string.h>

enum { SEGMENTS = 128, PAGES = 8, LINES = 64, MOST_ARGUMENTS = 6, PADS_A_SIDE = 32 };

enum addressing { ADDRESS_HORIZONTAL = 0, ADDRESS_VERTICAL = 1, ADDRESS_PAGE = 2 };

struct scroll {
    bool running;
    bool left;
    bool vertical_too;
    uint8_t first_page, last_page;
    uint8_t rows_a_step;
    int frames_a_step;
    uint64_t next_ps;
    int vertical_shift; /* rows moved so far inside the scroll area */
};

struct ssd1306 {
    uint8_t ram[PAGES][SEGMENTS];
    /* pointers and windows */
    enum addressing addressing;
    uint8_t column, page;
    uint8_t column_start, column_end, page_start, page_end;
    uint8_t page_mode_column;
    /* geometry */
    uint8_t start_line, offset, multiplex; /* multiplex: rows - 1 */
    bool segment_remap, common_remap;
    bool alternative_pins, swap_sides;
    /* light */
    bool on, was_on, pump_enabled, pump_running, all_on, inverted;
    uint8_t contrast;
    uint64_t on_since_ps;
    /* timing registers */
    uint8_t clock, precharge;
    /* scroll */
    struct scroll scroll;
    uint8_t fixed_rows, scroll_rows;
    /* the stream */
    struct control control;
    uint8_t command, arguments[MOST_ARGUMENTS];
    uint8_t argument_count, arguments_due;
    /* reset and once-only reports */
    bool in_reset, reset_reported, asleep_reported, scroll_reported;
    uint64_t reset_edge_ps;
    bool reset_pulsed, recovery_reported;
};

static struct ssd1306 *chip_of(struct jl_device *device) {
    return device->state;
}

/* Table 9-1, the "reset" column of each command. */
static void load_reset_values(struct ssd1306 *chip) {
    struct ssd1306 fresh = {
        .addressing = ADDRESS_PAGE,
        .column_end = SEGMENTS - 1,
        .page_end = PAGES - 1,
        .multiplex = LINES - 1,
        .alternative_pins = true,
        .contrast = 0x7F,
        .clock = 0x80,
        .precharge = 0x22,
        .scroll_rows = LINES,
    };
    memcpy(fresh.ram, chip->ram, sizeof fresh.ram);
    fresh.reset_edge_ps = chip->reset_edge_ps;
    fresh.reset_pulsed = chip->reset_pulsed;
    *chip = fresh;
}

static bool fits(const struct jl_glass *glass) {
    return glass->width >= 1 && glass->height >= 1 && glass->column_offset >= 0 &&
           glass->column_offset + glass->width <= SEGMENTS && glass->height <= LINES;
}

static void power_on(struct jl_device *device) {
    struct ssd1306 *chip = chip_of(device);
    device_noise(device, &chip->ram[0][0], sizeof chip->ram);
    load_reset_values(chip);
}

/* ---- scrolling ---- */

/* One display frame: fosc / (divide * (phase1 + phase2 + 50) * rows), 10.1.16. */
static uint64_t frame_ps(const struct ssd1306 *chip) {
    uint64_t oscillator_hz = 370000 - 8 * 14800 + (uint64_t)(chip->clock >> 4) * 14800;
    uint64_t clocks = (uint64_t)((chip->clock & 0x0F) + 1) *
                      ((chip->precharge & 0x0F) + (chip->precharge >> 4) + 50u) *
                      (chip->multiplex + 1u);
    return clocks * 1000000000000u / oscillator_hz;
}

static uint8_t segment_of_column(const struct ssd1306 *chip, uint8_t column) {
    return chip->segment_remap ? (uint8_t)(SEGMENTS - 1 - column) : column;
}

static void scroll_once(struct ssd1306 *chip) {
    struct scroll *scroll = &chip->scroll;
    /* Towards higher segments when "right" runs along them. */
    bool up = scroll->left == chip->segment_remap;
    for (int page = scroll->first_page; page <= scroll->last_page && page < PAGES; page++) {
        uint8_t *row = chip->ram[page];
        uint8_t around = up ? row[SEGMENTS - 1] : row[0];
        if (up) {
            memmove(row + 1, row, SEGMENTS - 1);
            row[0] = around;
        } else {
            memmove(row, row + 1, SEGMENTS - 1);
            row[SEGMENTS - 1] = around;
        }
    }
    if (scroll->vertical_too && chip->scroll_rows) {
        scroll->vertical_shift = (scroll->vertical_shift + scroll->rows_a_step) % chip->scroll_rows;
    }
}

/* Catches up with the virtual clock. */
static void run_scroll(struct jl_device *device) {
    struct ssd1306 *chip = chip_of(device);
    struct scroll *scroll = &chip->scroll;
    uint64_t now = jl_board_now_ps(device->board);
    uint64_t step = frame_ps(chip) * (uint64_t)scroll->frames_a_step;
    if (!scroll->running || now < scroll->next_ps) {
        return;
    }
    /* A whole turn of 128 columns and 64 rows changes nothing: skip those. */
    uint64_t steps = (now - scroll->next_ps) / step + 1;
    for (uint64_t i = steps % (SEGMENTS * LINES); i > 0; i--) {
        scroll_once(chip);
    }
    scroll->next_ps += steps * step;
}

/* ---- GDDRAM ---- */

/* The next value of a pointer that runs from start to end and around the whole RAM. */
static uint8_t step_pointer(uint8_t at, uint8_t start, uint8_t end, int whole) {
    return (uint8_t)(at == end ? start : (at + 1) % whole);
}

static void step_column(struct ssd1306 *chip) {
    chip->column = step_pointer(chip->column, chip->column_start, chip->column_end, SEGMENTS);
}

static void step_page(struct ssd1306 *chip) {
    chip->page = step_pointer(chip->page, chip->page_start, chip->page_end, PAGES);
}

static void advance(struct ssd1306 *chip) {
    bool column_done = chip->column == chip->column_end;
    bool page_done = chip->page == chip->page_end;
    switch (chip->addressing) {
    case ADDRESS_PAGE:
        chip->column = step_pointer(chip->column, chip->page_mode_column, SEGMENTS - 1, SEGMENTS);
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
    struct ssd1306 *chip = chip_of(device);
    if (chip->arguments_due) {
        device_report(device, JL_SEVERITY_ERROR,
                      "data 0x%02X arrived while command 0x%02X still waits for %d argument(s)",
                      byte, chip->command, chip->arguments_due - chip->argument_count);
        /* D/C decides: the byte goes to the RAM, the command keeps waiting. */
    }
    if (chip->scroll.running && !chip->scroll_reported) {
        chip->scroll_reported = true;
        device_report(device, JL_SEVERITY_ERROR,
                      "RAM written while the scroll runs: send 2E first (datasheet 10.2.3)");
    }
    if (!chip->on && chip->was_on && !chip->asleep_reported) {
        chip->asleep_reported = true;
        device_report(
            device, JL_SEVERITY_NOTE,
            "data arrives while the display sleeps: the RAM takes it, nothing shows until AF");
    }
    chip->ram[chip->page][segment_of_column(chip, chip->column)] = byte;
    advance(chip);
}

/* ---- commands ---- */

struct command_info {
    uint8_t first, last; /* opcodes, inclusive */
    uint8_t arguments;
    const char *name;
};

/* Table 9-1, and the 23h/D6h of later revisions, which change nothing here. */
static const struct command_info commands[] = {
    {0x00, 0x0F, 0, "column start, low nibble"},
    {0x10, 0x1F, 0, "column start, high nibble"},
    {0x20, 0x20, 1, "memory addressing mode"},
    {0x21, 0x21, 2, "column address"},
    {0x22, 0x22, 2, "page address"},
    {0x23, 0x23, 1, "fade out and blinking"},
    {0x26, 0x26, 6, "scroll right"},
    {0x27, 0x27, 6, "scroll left"},
    {0x29, 0x29, 5, "scroll up and right"},
    {0x2A, 0x2A, 5, "scroll up and left"},
    {0x2E, 0x2E, 0, "scroll stop"},
    {0x2F, 0x2F, 0, "scroll start"},
    {0x40, 0x7F, 0, "start line"},
    {0x81, 0x81, 1, "contrast"},
    {0x8D, 0x8D, 1, "charge pump"},
    {0xA0, 0xA1, 0, "segment remap"},
    {0xA3, 0xA3, 2, "vertical scroll area"},
    {0xA4, 0xA5, 0, "entire display on"},
    {0xA6, 0xA7, 0, "inverse display"},
    {0xA8, 0xA8, 1, "multiplex ratio"},
    {0xAE, 0xAF, 0, "display off or on"},
    {0xB0, 0xB7, 0, "page start"},
    {0xC0, 0xC8, 0, "COM scan direction"},
    {0xD3, 0xD3, 1, "display offset"},
    {0xD5, 0xD5, 1, "clock"},
    {0xD6, 0xD6, 1, "zoom"},
    {0xD9, 0xD9, 1, "precharge"},
    {0xDA, 0xDA, 1, "COM pins"},
    {0xDB, 0xDB, 1, "deselect level"},
    {0xE3, 0xE3, 0, "no operation"},
};

static const struct command_info *find_command(uint8_t opcode) {
    /* C1..C7 lie between the two COM scan directions and mean nothing. */
    if (opcode > 0xC0 && opcode < 0xC8) {
        return NULL;
    }
    for (size_t i = 0; i < sizeof commands / sizeof commands[0]; i++) {
        if (opcode >= commands[i].first && opcode <= commands[i].last) {
            return &commands[i];
        }
    }
    return NULL;
}

/* Reports an argument that sets bits the datasheet has as 0, or lies outside its range. */
static void expect(struct jl_device *device, bool good, uint8_t argument, const char *right) {
    struct ssd1306 *chip = chip_of(device);
    if (!good) {
        device_report(device, JL_SEVERITY_ERROR,
                      "command 0x%02X (%s): argument 0x%02X, expected %s", chip->command,
                      find_command(chip->command)->name, argument, right);
    }
}

static void set_window(struct jl_device *device, uint8_t limit, uint8_t *start, uint8_t *end,
                       uint8_t *pointer) {
    struct ssd1306 *chip = chip_of(device);
    const uint8_t *a = chip->arguments;
    expect(device, a[0] <= limit, a[0], limit == SEGMENTS - 1 ? "00..7F" : "00..07");
    expect(device, a[1] <= limit, a[1], limit == SEGMENTS - 1 ? "00..7F" : "00..07");
    *start = a[0] & limit;
    *end = a[1] & limit;
    expect(device, *end >= *start, a[1], "an end not before the start");
    if (chip->addressing == ADDRESS_PAGE) {
        device_report(device, JL_SEVERITY_WARNING,
                      "command 0x%02X has no effect in page addressing mode: send 20 00 first",
                      chip->command);
    } else {
        *pointer = *start;
    }
}

static void set_scroll(struct jl_device *device, bool vertical_too) {
    static const int frames[8] = {5, 64, 128, 256, 3, 4, 25, 2};
    struct ssd1306 *chip = chip_of(device);
    const uint8_t *a = chip->arguments;
    struct scroll *scroll = &chip->scroll;
    if (scroll->running) {
        device_report(device, JL_SEVERITY_ERROR,
                      "command 0x%02X while the scroll runs: send 2E first (datasheet 10.2.3)",
                      chip->command);
    }
    expect(device, a[0] == 0x00, a[0], "00 (dummy)");
    expect(device, a[1] <= 7, a[1], "a page 00..07");
    expect(device, a[2] <= 7, a[2], "an interval 00..07");
    expect(device, a[3] <= 7 && (a[3] & 7) >= (a[1] & 7), a[3], "a page not before the first one");
    if (vertical_too) {
        expect(device, a[4] <= 63, a[4], "00..3F rows");
    } else {
        expect(device, a[4] == 0x00, a[4], "00 (dummy)");
        expect(device, a[5] == 0xFF, a[5], "FF (dummy)");
    }
    scroll->left = chip->command == 0x27 || chip->command == 0x2A;
    scroll->vertical_too = vertical_too;
    scroll->first_page = a[1] & 7;
    scroll->frames_a_step = frames[a[2] & 7];
    scroll->last_page = a[3] & 7;
    scroll->rows_a_step = vertical_too ? a[4] & 63 : 0;
}

static void start_scroll(struct jl_device *device) {
    struct ssd1306 *chip = chip_of(device);
    if (!chip->scroll.frames_a_step) {
        device_report(device, JL_SEVERITY_WARNING,
                      "scroll start without a scroll setup (26, 27, 29 or 2A) has no effect");
        return;
    }
    chip->scroll.running = true;
    chip->scroll_reported = false;
    chip->scroll.next_ps =
        jl_board_now_ps(device->board) + frame_ps(chip) * (uint64_t)chip->scroll.frames_a_step;
}

static void switch_display(struct jl_device *device, bool on) {
    struct ssd1306 *chip = chip_of(device);
    if (on && !chip->on) {
        chip->on_since_ps = jl_board_now_ps(device->board);
        chip->was_on = true;
        chip->asleep_reported = false;
    }
    chip->on = on;
    /* 8Dh 14h takes effect with the AFh that follows it (application note, charge pump). */
    if (on) {
        chip->pump_running = chip->pump_enabled;
    }
}

static void run_command_with_arguments(struct jl_device *device) {
    struct ssd1306 *chip = chip_of(device);
    uint8_t a = chip->arguments[0];
    switch (chip->command) {
    case 0x20:
        expect(device, a <= 2, a, "00 horizontal, 01 vertical or 02 page");
        chip->addressing = (a & 3) == 3 ? ADDRESS_PAGE : (enum addressing)(a & 3);
        break;
    case 0x21:
        set_window(device, SEGMENTS - 1, &chip->column_start, &chip->column_end, &chip->column);
        break;
    case 0x22:
        set_window(device, PAGES - 1, &chip->page_start, &chip->page_end, &chip->page);
        break;
    case 0x23:
    case 0xD6:
        device_report(device, JL_SEVERITY_NOTE,
                      "command 0x%02X exists on later revisions only: taken, without effect here",
                      chip->command);
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
        expect(device, a >= 15 && a <= 63, a, "0F..3F (rows - 1)");
        /* 0..14 are invalid entries: the ratio stays. */
        chip->multiplex = (a & 63) >= 15 ? a & 63 : chip->multiplex;
        break;
    case 0xD3:
        expect(device, a <= 63, a, "00..3F");
        chip->offset = a & 63;
        break;
    case 0xD5:
        chip->clock = a;
        break;
    case 0xD9:
        expect(device, (a & 0x0F) && (a >> 4), a, "1..F clocks in both halves");
        chip->precharge = a;
        break;
    case 0xDA:
        expect(device, (a & 0xCF) == 0x02, a, "02, 12, 22 or 32");
        chip->alternative_pins = (a & 0x10) != 0;
        chip->swap_sides = (a & 0x20) != 0;
        break;
    case 0xDB:
        expect(device, a == 0x00 || a == 0x20 || a == 0x30, a, "00, 20 or 30");
        break;
    default:
        break;
    }
}

static void run_plain_command(struct jl_device *device, uint8_t opcode) {
    struct ssd1306 *chip = chip_of(device);
    if (opcode <= 0x1F || (opcode >= 0xB0 && opcode <= 0xB7)) {
        if (chip->addressing != ADDRESS_PAGE) {
            device_report(device, JL_SEVERITY_WARNING,
                          "command 0x%02X is for page addressing mode only: no effect now", opcode);
        } else if (opcode <= 0x0F) {
            chip->page_mode_column = (chip->page_mode_column & 0xF0) | opcode;
            chip->column = chip->page_mode_column & 0x7F;
        } else if (opcode <= 0x1F) {
            chip->page_mode_column =
                (uint8_t)((chip->page_mode_column & 0x0F) | (opcode & 0x07) << 4);
            chip->column = chip->page_mode_column;
        } else {
            chip->page = opcode & 7;
        }
    } else if (opcode >= 0x40 && opcode <= 0x7F) {
        chip->start_line = opcode & 63;
    } else {
        switch (opcode) {
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
            break;
        case 0xA4:
        case 0xA5:
            chip->all_on = opcode & 1;
            break;
        case 0xA6:
        case 0xA7:
            chip->inverted = opcode & 1;
            break;
        case 0xAE:
        case 0xAF:
            switch_display(device, opcode & 1);
            break;
        case 0xC0:
        case 0xC8:
            chip->common_remap = opcode == 0xC8;
            break;
        default: /* E3 */
            break;
        }
    }
}

static void take_command_byte(struct jl_device *device, uint8_t byte) {
    struct ssd1306 *chip = chip_of(device);
    if (chip->arguments_due) {
        chip->arguments[chip->argument_count++] = byte;
        if (chip->argument_count == chip->arguments_due) {
            run_command_with_arguments(device);
            chip->arguments_due = 0;
        }
        return;
    }
    const struct command_info *info = find_command(byte);
    if (!info) {
        device_report(device, JL_SEVERITY_ERROR, "unknown command 0x%02X", byte);
        return;
    }
    chip->command = byte;
    chip->argument_count = 0;
    chip->arguments_due = info->arguments;
    if (!info->arguments) {
        run_plain_command(device, byte);
    }
}

/* ---- the pins and buses ---- */

static void reset(struct jl_device *device, bool low) {
    struct ssd1306 *chip = chip_of(device);
    uint64_t now = jl_board_now_ps(device->board);
    if (!low && now - chip->reset_edge_ps < 3000000) {
        device_report(device, JL_SEVERITY_WARNING,
                      "reset was low for %llu ns, at least 3 us are needed (datasheet 8.9)",
                      (unsigned long long)((now - chip->reset_edge_ps) / 1000));
    }
    chip->reset_edge_ps = now;
    chip->reset_pulsed = !low;
    load_reset_values(chip);
    chip->in_reset = low;
}

/* False when the chip is held in reset and hears nothing. */
static bool listens(struct jl_device *device) {
    struct ssd1306 *chip = chip_of(device);
    run_scroll(device);
    if (chip->in_reset && !chip->reset_reported) {
        chip->reset_reported = true;
        device_report(device, JL_SEVERITY_ERROR, "bytes arrive while the reset pin is low");
    }
    uint64_t since = jl_board_now_ps(device->board) - chip->reset_edge_ps;
    if (chip->reset_pulsed && since < 3000000 && !chip->recovery_reported) {
        chip->recovery_reported = true;
        device_report(device, JL_SEVERITY_WARNING,
                      "first byte %llu ns after reset, at least 3 us are needed",
                      (unsigned long long)(since / 1000));
    }
    return !chip->in_reset;
}

static bool i2c_begin(struct jl_device *device, bool read) {
    control_begin(&chip_of(device)->control);
    (void)read; /* both directions are acknowledged */
    return listens(device);
}

static bool i2c_write(struct jl_device *device, uint8_t byte) {
    struct ssd1306 *chip = chip_of(device);
    if (chip->in_reset) {
        return false;
    }
    if (!control_took(device, &chip->control, byte)) {
        if (chip->control.data) {
            take_data(device, byte);
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

static void write(struct jl_device *device, const uint8_t *bytes, size_t count, bool data) {
    if (!listens(device)) {
        return;
    }
    for (size_t i = 0; i < count; i++) {
        if (data) {
            take_data(device, bytes[i]);
        } else {
            take_command_byte(device, bytes[i]);
        }
    }
}

/* ---- the glass ---- */

/*
 * The pad that a glass row is bonded to: 0..31 on side A, 32..63 on side B.
 * Seen from common 0 on, alternate bonding takes A, B, A, B ...; sequential
 * bonding takes all of A, then B.
 */
static int pad_of_row(const struct jl_glass *glass, int y) {
    int row = glass->mirrored_y ? y : glass->height - 1 - y;
    if (glass->rows_sequential) {
        return row;
    }
    return row % 2 * PADS_A_SIDE + row / 2;
}

/* The common output that drives a pad, by the COM pins configuration (10.1.18). */
static int common_of_pad(const struct ssd1306 *chip, int pad) {
    int side = pad / PADS_A_SIDE;
    int place = pad % PADS_A_SIDE;
    if (chip->swap_sides) {
        side = 1 - side;
    }
    return chip->alternative_pins ? place * 2 + side : side * PADS_A_SIDE + place;
}

/* The scanned row shown on a common output, or -1 when none drives it (tables 10-1, 10-2). */
static int row_of_common(const struct ssd1306 *chip, int common) {
    int rows = chip->multiplex + 1;
    int row = chip->common_remap ? (rows - 1 + chip->offset - common + 2 * LINES) % LINES
                                 : (common + chip->offset) % LINES;
    return row < rows ? row : -1;
}

static int ram_line_of_row(const struct ssd1306 *chip, int row) {
    int last = chip->fixed_rows + chip->scroll_rows;
    if (row >= chip->fixed_rows && row < last) {
        row = chip->fixed_rows +
              (row - chip->fixed_rows + chip->scroll.vertical_shift) % chip->scroll_rows;
    }
    return (row + chip->start_line) % LINES;
}

static void show(struct jl_device *device, struct jl_picture *picture) {
    run_scroll(device);
    const struct ssd1306 *chip = chip_of(device);
    const struct jl_glass *glass = &device->glass;
    for (int y = 0; y < glass->height; y++) {
        int row = row_of_common(chip, common_of_pad(chip, pad_of_row(glass, y)));
        if (row < 0) {
            continue;
        }
        int line = ram_line_of_row(chip, row);
        for (int x = 0; x < glass->width; x++) {
            int output = glass->column_offset + x;
            int segment = glass->mirrored_x ? output : SEGMENTS - 1 - output;
            bool bit = chip->ram[line / 8][segment] >> (line % 8) & 1;
            if (chip->all_on || bit != chip->inverted) {
                memset(jl_picture_at(picture, x, y), 255, 3);
            }
        }
    }
}

static uint8_t brightness(struct jl_device *device) {
    return chip_of(device)->contrast;
}

static const char *why_dark(struct jl_device *device) {
    const struct ssd1306 *chip = chip_of(device);
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
    if (!device->glass.external_supply && !chip->pump_running) {
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

const struct jl_device_ops jl_emulated_ssd1306 = {
    .part = "ssd1306",
    .state_bytes = sizeof(struct ssd1306),
    .fits = fits,
    .power_on = power_on,
    .reset = reset,
    .i2c_begin = i2c_begin,
    .i2c_write = i2c_write,
    .i2c_read = i2c_read,
    .write = write,
    /* Tables 13-3, 13-4 and 13-6. */
    .parallel_cycle_ps = 300000,
    .serial_cycle_ps = 100000,
    .i2c_cycle_ps = 2500000,
    .show = show,
    .brightness = brightness,
    .why_dark = why_dark,
};
