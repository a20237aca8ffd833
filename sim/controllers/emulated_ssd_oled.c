/*
 * The machine behind the emulated grey and colour OLED parts. RAM is kept by row and segment;
 * the picture comes about as on the silicon: RAM, scan, COM outputs, bonding of the glass.
 *
 * The usual module, seen from the front: common 0 at the bottom, segment 0 at the side the
 * part's own file says, the panel voltage from outside.
 *
 * Taken where the datasheets leave room:
 *  - A column remap acts as pixels are written, as on the monochrome parts of the family.
 *  - Writing past the window goes on at its start.
 */
#include "ssd_oled.h"

#include <stddef.h>
#include <string.h>

static struct oled_chip *chip_of(struct jl_device *device) {
    return device->state;
}

static bool fits(const struct jl_emulated_part *emulated, const struct jl_glass *glass) {
    const struct oled_part *part = emulated->facts;
    return glass->row_offset == 0 && glass->column_offset + glass->width <= part->ram_width &&
           glass->height <= part->ram_height && !glass->ram_width && !glass->ram_height;
}

static void load_defaults(struct oled_chip *chip, const struct oled_part *part) {
    uint64_t edge = chip->reset_edge_ps;
    memset(chip, 0, offsetof(struct oled_chip, cells)); /* those stay */
    chip->reset_edge_ps = edge;
    chip->remap = part->remap_after_reset;
    chip->offset = part->offset_after_reset;
    chip->multiplex = (uint8_t)(part->ram_height - 1);
    chip->column_end = part->ram_width / part->unit_pixels - 1;
    chip->row_end = part->ram_height - 1;
    chip->mode = part->normal_opcode;
    memset(chip->contrast, 0x7F, sizeof chip->contrast);
    chip->master = 0x0F;
}

static void power_on(struct jl_device *device) {
    const struct oled_part *part = device->part->facts;
    struct oled_chip *chip = chip_of(device);
    size_t units = (size_t)part->ram_height * (size_t)(part->ram_width / part->unit_pixels);
    load_defaults(chip, part);
    for (size_t i = 0; i < units; i++) {
        size_t in_row = (size_t)(part->ram_width / part->unit_pixels);
        jl_sim_device_noise(device, chip->unit, sizeof chip->unit);
        part->put_unit(chip, chip->cells + i / in_row * (size_t)part->ram_width, (int)(i % in_row));
    }
}

/* ---- memory ---- */

static void step(int *at, int start, int end, bool *around) {
    *around = *at == end;
    *at = *around ? start : *at + 1;
}

static void advance(struct oled_chip *chip, const struct oled_part *part) {
    bool around;
    if (chip->remap & part->vertical_bit) {
        step(&chip->row, chip->row_start, chip->row_end, &around);
        if (around) {
            step(&chip->column, chip->column_start, chip->column_end, &chip->window_full);
        }
    } else {
        step(&chip->column, chip->column_start, chip->column_end, &around);
        if (around) {
            step(&chip->row, chip->row_start, chip->row_end, &chip->window_full);
        }
    }
}

static void take_pixel_byte(struct jl_device *device, const struct oled_part *part, uint8_t byte) {
    struct oled_chip *chip = chip_of(device);
    jl_sim_oled_scroll_tell_write(device);
    chip->unit[chip->unit_filled++] = byte;
    if (chip->unit_filled < part->unit_bytes(chip)) {
        return;
    }
    chip->unit_filled = 0;
    if (chip->window_full && !chip->wrapped_reported) {
        chip->wrapped_reported = true;
        jl_sim_device_report(device, JL_SEVERITY_NOTE, JL_CODE_WINDOW_WRAPS,
                             "more pixels than the window holds: writing goes on at its start");
    }
    chip->window_full = false;
    if (chip->row < part->ram_height && chip->column < part->ram_width / part->unit_pixels) {
        uint32_t *row = chip->cells + (size_t)chip->row * (size_t)part->ram_width;
        uint8_t before[sizeof chip->unit] = {0}, after[sizeof chip->unit] = {0};
        part->get_unit(chip, row, chip->column, before);
        part->put_unit(chip, row, chip->column);
        part->get_unit(chip, row, chip->column, after);
        jl_sim_stored(device, (uint64_t)part->unit_pixels,
                      memcmp(before, after, sizeof before) != 0 ? (uint64_t)part->unit_pixels : 0);
    }
    advance(chip, part);
}

/* ---- commands ---- */

static void set_range(struct jl_device *device, int limit, int *start, int *end, int *at) {
    struct oled_chip *chip = chip_of(device);
    int first = chip->arguments[0], last = chip->arguments[1];
    if (last < first || last >= limit) {
        jl_sim_device_report(device, JL_SEVERITY_ERROR, JL_CODE_WINDOW_RANGE,
                             "%02X (%s) %d..%d: expected 0..%d and an end not before the start%s",
                             chip->command, chip->command == 0x15 ? "columns" : "rows", first, last,
                             limit - 1, last < first ? "; the range stays" : "");
    }
    if (last >= first) {
        *start = *at = first;
        *end = last;
        chip->window_full = false;
    }
}

static bool is_protected(const struct oled_part *part, uint8_t opcode) {
    for (size_t i = 0; i < sizeof part->locked_opcodes && part->locked_opcodes[i]; i++) {
        if (part->locked_opcodes[i] == opcode) {
            return true;
        }
    }
    return false;
}

static void switch_display(struct jl_device *device, bool on) {
    struct oled_chip *chip = chip_of(device);
    bool comes = on && !chip->on;
    chip->on = on;
    if (comes) {
        chip->on_since_ps = jl_board_now_ps(device->board);
        chip->was_on = true;
        jl_sim_judge_on(device);
    }
}

static void set_contrast(struct oled_chip *chip) {
    /* C1 has three bytes on colour parts and one on grey ones; 81, 82, 83 have one each. */
    if (chip->command == 0xC1) {
        memcpy(chip->contrast, chip->arguments, (size_t)chip->arguments_due);
    } else {
        chip->contrast[chip->command - 0x81] = chip->arguments[0];
    }
}

static void check_range(struct jl_device *device, const struct oled_part *part) {
    const struct oled_chip *chip = chip_of(device);
    for (const struct oled_range *range = part->ranges; range->opcode; range++) {
        uint8_t a = chip->arguments[0];
        if (range->opcode == chip->command && (a < range->least || a > range->most)) {
            jl_sim_device_report(device, JL_SEVERITY_ERROR, JL_CODE_ARGUMENT_VALUE,
                                 "command %02X: argument %02X, expected %02X..%02X%s",
                                 chip->command, a, range->least, range->most,
                                 jl_sim_slip_words(device, a));
        }
    }
}

static void run_command(struct jl_device *device, const struct oled_part *part) {
    struct oled_chip *chip = chip_of(device);
    uint8_t a = chip->arguments[0];
    check_range(device, part);
    if (chip->command == 0xFD) {
        chip->locked = a == 0x16 || (a != 0x12 && chip->locked);
        chip->protected_open = a == 0xB1 || (a != 0xB0 && chip->protected_open);
        return;
    }
    if (chip->locked || (is_protected(part, chip->command) && !chip->protected_open)) {
        jl_sim_device_report(device, JL_SEVERITY_WARNING, JL_CODE_LOCKED,
                             "command %02X while locked has no effect: %s first", chip->command,
                             chip->locked ? "send FD 12" : "send FD B1");
        return;
    }
    if (chip->command == part->multiplex_opcode) {
        chip->multiplex = a;
        return;
    }
    switch (chip->command) {
    case 0x15:
        jl_sim_window_end(device);
        set_range(device, part->ram_width / part->unit_pixels, &chip->column_start,
                  &chip->column_end, &chip->column);
        break;
    case 0x75:
        jl_sim_window_end(device);
        set_range(device, part->ram_height, &chip->row_start, &chip->row_end, &chip->row);
        break;
    case 0x5C:
        chip->writing = true;
        break;
    case 0x5D:
        chip->reading = true;
        break;
    case 0x81:
    case 0x82:
    case 0x83:
    case 0xC1:
        set_contrast(chip);
        break;
    case 0x87:
    case 0xC7:
        chip->master = a & 0x0F;
        break;
    case 0xA0:
        chip->remap = a;
        jl_sim_judge_anew(device);
        break;
    case 0xA1:
        chip->start_line = a;
        break;
    case 0xA2:
        chip->offset = a;
        break;
    case 0xA4:
    case 0xA5:
    case 0xA6:
    case 0xA7:
        chip->mode = chip->command;
        break;
    case 0xA8: /* where it is not the multiplex ratio: partial display */
        chip->partial = true;
        chip->partial_start = a;
        chip->partial_end = chip->arguments[1];
        break;
    case 0xA9:
        chip->partial = false;
        break;
    case 0xAD:
        chip->master_configured = a == 0x8E;
        break;
    case 0xAC: /* on, with the contrasts of AB */
    case 0xAE:
    case 0xAF:
        switch_display(device, chip->command != 0xAE);
        chip->dimmed = chip->command == 0xAC;
        break;
    case 0xAB: /* of parts that can dim, which also draw: a dummy, three contrasts, the precharge */
        memcpy(chip->dim_contrast, chip->arguments + 1, sizeof chip->dim_contrast);
        break;
    case 0x2E:
    case 0x9E:
        chip->scroll.running = false;
        break;
    case 0x2F:
    case 0x9F:
        jl_sim_oled_scroll_start(device);
        break;
    default:
        if (part->run_own) {
            part->run_own(device);
        }
        break;
    }
}

static void take_opcode(struct jl_device *device, const struct oled_part *part, uint8_t opcode) {
    struct oled_chip *chip = chip_of(device);
    if (chip->arguments_due > chip->argument_count) { /* only where arguments travel as data */
        jl_sim_device_report(device, JL_SEVERITY_ERROR, JL_CODE_ARGUMENT_COUNT,
                             "command %02X got %d argument(s), expected %d: it has no effect; this "
                             "part takes them with D/C high",
                             chip->command, chip->argument_count, chip->arguments_due);
        device->arguments_missing = true;
    }
    if (chip->unit_filled) {
        jl_sim_device_report(device, JL_SEVERITY_ERROR, JL_CODE_PIXEL_CUT,
                             "the last pixel is cut: %d byte(s) of it are lost", chip->unit_filled);
        chip->unit_filled = 0;
    }
    chip->writing = chip->extra_reported = chip->reading = chip->dummy_given = false;
    chip->given_count = 0;
    chip->argument_count = chip->arguments_due = 0;
    chip->command = opcode;
    const struct command *known = jl_sim_take_opcode(device, opcode);
    if (!known) {
        chip->extra_reported = true; /* what follows are its arguments */
        return;
    }
    chip->arguments_due = known->least;
    if (!known->least) {
        run_command(device, part);
    }
}

static void take_argument(struct jl_device *device, const struct oled_part *part, uint8_t byte) {
    struct oled_chip *chip = chip_of(device);
    chip->arguments[chip->argument_count++] = byte;
    if (chip->argument_count == chip->arguments_due) {
        run_command(device, part);
    }
}

static void take_data(struct jl_device *device, const struct oled_part *part, uint8_t byte) {
    struct oled_chip *chip = chip_of(device);
    bool argument_due = chip->argument_count < chip->arguments_due;
    if (part->arguments_as_data && argument_due) {
        take_argument(device, part, byte);
    } else if (!part->needs_write_opcode || chip->writing) {
        if (argument_due && !chip->extra_reported) {
            chip->extra_reported = true;
            jl_sim_device_report(
                device, JL_SEVERITY_ERROR, JL_CODE_ARGUMENT_AS_DATA,
                "data arrive while command %02X waits for %d argument(s): this part takes "
                "them with D/C low",
                chip->command, chip->arguments_due - chip->argument_count);
        }
        take_pixel_byte(device, part, byte);
    } else if (!chip->extra_reported) {
        chip->extra_reported = true;
        jl_sim_device_report(device, JL_SEVERITY_ERROR, JL_CODE_NO_WRITE_COMMAND,
                             "data %02X after command %02X: pixels need 5C before them", byte,
                             chip->command);
    }
}

static void take_low(struct jl_device *device, const struct oled_part *part, uint8_t byte) {
    struct oled_chip *chip = chip_of(device);
    if (!part->arguments_as_data && chip->argument_count < chip->arguments_due) {
        take_argument(device, part, byte);
    } else {
        take_opcode(device, part, byte);
    }
}

/* ---- pins and buses ---- */

static void reset(struct jl_device *device, bool low) {
    const struct oled_part *part = device->part->facts;
    struct oled_chip *chip = chip_of(device);
    uint64_t now = jl_board_now_ps(device->board);
    uint64_t least = (uint64_t)part->reset_us * 1000000;
    if (!low && jl_sim_too_short(now - chip->reset_edge_ps, least)) {
        jl_sim_device_report(device, JL_SEVERITY_WARNING, JL_CODE_RESET_TOO_SHORT,
                             "reset was low for %.1f us, at least %d us are needed",
                             (double)(now - chip->reset_edge_ps) / 1e6, part->reset_us);
    }
    chip->reset_edge_ps = now;
    load_defaults(chip, part);
    chip->in_reset = low;
    chip->deaf_until_ps = now + least;
}

static bool listens(struct jl_device *device, const struct oled_part *part) {
    struct oled_chip *chip = chip_of(device);
    uint64_t now = jl_board_now_ps(device->board);
    if (chip->in_reset && !chip->reset_reported) {
        chip->reset_reported = true;
        jl_sim_device_report(device, JL_SEVERITY_ERROR, JL_CODE_RESET_HELD,
                             "bytes arrive while the reset pin is low");
    }
    if (now < chip->deaf_until_ps && !chip->in_reset && !chip->recovery_reported) {
        chip->recovery_reported = true;
        jl_sim_device_report(device, JL_SEVERITY_WARNING, JL_CODE_RESET_RECOVERY,
                             "first byte %.1f us after reset, at least %d us are needed",
                             (double)(now - chip->reset_edge_ps) / 1e6, part->reset_us);
    }
    return !chip->in_reset;
}

static void write(struct jl_device *device, const uint8_t *bytes, size_t count, bool data) {
    const struct oled_part *part = device->part->facts;
    const struct oled_chip *chip = chip_of(device);
    if (!listens(device, part)) {
        return;
    }
    jl_sim_oled_scroll_catch_up(device, part->ram_width, part->ram_height);
    for (size_t i = 0; i < count; i++) {
        device->at = i;
        if (data) {
            take_data(device, part, bytes[i]);
        } else {
            take_low(device, part, bytes[i]);
        }
    }
    if (data && (!part->needs_write_opcode || chip->writing)) {
        unsigned bits = 8 * (unsigned)part->unit_bytes(chip);
        jl_sim_judge_pixels(device, count, bits / (unsigned)part->unit_pixels, chip->on);
        jl_sim_window_data(device, count, chip->column_end - chip->column_start + 1,
                           chip->row_end - chip->row_start + 1, bits);
    }
}

/* Pixels take all lines; opcodes and arguments D7..D0. */
static void write_words(struct jl_device *device, const uint16_t *words, size_t count, bool data) {
    const struct oled_part *part = device->part->facts;
    const struct oled_chip *chip = chip_of(device);
    for (size_t i = 0; i < count; i++) {
        const uint8_t halves[2] = {(uint8_t)(words[i] >> 8), (uint8_t)words[i]};
        bool argument = part->arguments_as_data && chip->argument_count < chip->arguments_due;
        bool pixel = data && !argument;
        device->at_base = i;
        device->at_word_bytes = 2;
        write(device, halves + !pixel, pixel ? 2 : 1, data);
    }
}

static bool i2c_begin(struct jl_device *device, bool read) {
    (void)read; /* both directions are acknowledged */
    control_begin(&chip_of(device)->control);
    return listens(device, device->part->facts);
}

static bool i2c_write(struct jl_device *device, uint8_t byte) {
    struct oled_chip *chip = chip_of(device);
    if (chip->in_reset) {
        return false;
    }
    if (!control_took(device, &chip->control, byte)) {
        write(device, &byte, 1, chip->control.data);
    }
    return true;
}

/* The status byte: bit 6 is 1 while the display is off. */
static uint8_t i2c_read(struct jl_device *device) {
    const struct oled_chip *chip = device->state;
    return chip->on ? 0x00 : 0x40;
}

/*
 * On a parallel bus, with D/C low the status; with D/C high the RAM, behind a dummy byte and, where
 * pixels have an opcode, behind 5D. The serial buses cannot be read.
 */
static uint8_t read(struct jl_device *device) {
    const struct oled_part *part = device->part->facts;
    struct oled_chip *chip = chip_of(device);
    if (jl_sim_device_is_serial(device) || !listens(device, part)) {
        return 0xFF;
    }
    if (!device->pins[JL_DEVICE_DC]) {
        return i2c_read(device);
    }
    bool asked = chip->reading || !part->needs_write_opcode;
    bool inside =
        chip->row < part->ram_height && chip->column < part->ram_width / part->unit_pixels;
    if (!asked || !inside || !chip->dummy_given) {
        chip->dummy_given = true;
        return 0xFF;
    }
    const uint32_t *row = chip->cells + (size_t)chip->row * (size_t)part->ram_width;
    part->get_unit(chip, row, chip->column, chip->given);
    uint8_t byte = chip->given[chip->given_count++];
    if (chip->given_count == part->unit_bytes(chip)) {
        chip->given_count = 0;
        advance(chip, part);
    }
    return byte;
}

/* ---- the glass ---- */

/* The scanned row on the COM output behind a row of the glass, or -1 when none is. */
static int scanned_row(const struct oled_chip *chip, const struct oled_part *part,
                       const struct jl_glass *glass, int y) {
    int rows = chip->multiplex + 1;
    int com = glass->mirrored_y ? y : glass->height - 1 - y;
    bool split = (chip->remap & part->split_bit) != 0;
    if (split != (part->split != glass->rows_other)) { /* halves interleaved, or torn apart */
        com = com % 2 * (glass->height / 2) + com / 2;
    }
    int last = rows - 1;
    if (part->first_com) {
        com += part->first_com(glass->height);
        last = part->ram_height - 1;
    }
    int row = chip->remap & 0x10 ? last - com : com;
    row = (row + chip->offset + part->ram_height) % part->ram_height;
    bool hidden = chip->partial && (row < chip->partial_start || row > chip->partial_end);
    return row < rows && !hidden ? row : -1;
}

static uint32_t shown_color(const struct oled_chip *chip, const struct oled_part *part,
                            const struct jl_glass *glass, uint32_t color) {
    if (chip->mode == 0xA5) {
        return 0xFFFFFF;
    }
    if (chip->mode == part->all_off_opcode) {
        return 0;
    }
    color = chip->mode == 0xA7 ? color ^ 0xFFFFFF : color;
    return glass->bgr ? (color & 0xFF) << 16 | (color & 0xFF00) | color >> 16 : color;
}

static void show(struct jl_device *device, struct jl_picture *picture) {
    const struct oled_part *part = device->part->facts;
    const struct oled_chip *chip = chip_of(device);
    const struct jl_glass *glass = &device->glass;
    jl_sim_oled_scroll_catch_up(device, part->ram_width, part->ram_height);
    for (int y = 0; y < glass->height; y++) {
        int row = scanned_row(chip, part, glass, y);
        if (row < 0) {
            continue;
        }
        row = (row + chip->start_line) % part->ram_height;
        for (int x = 0; x < glass->width; x++) {
            int output = glass->column_offset + x;
            bool from_right = part->segment0_right != glass->mirrored_x;
            int segment = from_right ? part->ram_width - 1 - output : output;
            uint32_t color =
                shown_color(chip, part, glass, chip->cells[row * part->ram_width + segment]);
            uint8_t *at = jl_picture_at(picture, x, y);
            at[0] = (uint8_t)(color >> 16);
            at[1] = (uint8_t)(color >> 8);
            at[2] = (uint8_t)color;
        }
    }
}

static bool behind(struct jl_device *device, int x, int y, struct place *place) {
    const struct oled_part *part = device->part->facts;
    const struct oled_chip *chip = chip_of(device);
    const struct jl_glass *glass = &device->glass;
    int row = scanned_row(chip, part, glass, y), output = glass->column_offset + x;
    int last = part->ram_width - 1;
    if (row < 0) {
        return false;
    }
    int segment = part->segment0_right != glass->mirrored_x ? last - output : output;
    place->line = place->row = (row + chip->start_line) % part->ram_height;
    place->column = chip->remap & part->mirror_bit ? last - segment : segment;
    if (chip->remap & part->vertical_bit) { /* no direction: pictures may lie on their side, too */
        place->column = place->row = 0;
    }
    place->offset = offsetof(struct oled_chip, cells) +
                    sizeof chip->cells[0] * (size_t)(place->line * part->ram_width + segment);
    place->bytes = sizeof chip->cells[0];
    return true;
}

static void window(const struct jl_device *device, struct window *window) {
    const struct oled_part *part = device->part->facts;
    const struct oled_chip *chip = device->state;
    *window = (struct window){chip->column_start * part->unit_pixels,
                              (chip->column_end + 1) * part->unit_pixels - 1, chip->row_start,
                              chip->row_end};
}

static void judge_more(struct jl_device *device) {
    const struct oled_part *part = device->part->facts;
    const struct oled_chip *chip = chip_of(device);
    if (chip->mode == 0xA5) {
        jl_sim_device_report(device, JL_SEVERITY_WARNING, JL_CODE_ALL_ON,
                             "all pixels are on (A5): %02X shows the RAM", part->normal_opcode);
    }
    if (part->has_colors && ((chip->remap & 0x04) == part->red_first) == device->glass.bgr) {
        jl_sim_device_report(device, JL_SEVERITY_ERROR, JL_CODE_COLORS,
                             "red and blue are exchanged on this glass, if pixels begin with red: "
                             "bit 2 of A0 has to be %s",
                             chip->remap & 0x04 ? "cleared" : "set");
    }
}

static const struct geometry_words words = {
    .rows = "the multiplex ratio (A8 or CA)",
    .order = "the split of odd and even COMs, in A0",
    .roll = "start line A1, offset A2",
    .mirror = "the column and the COM remap, in A0",
};

static const char *why_dark(struct jl_device *device) {
    const struct oled_part *part = device->part->facts;
    const struct oled_chip *chip = chip_of(device);
    uint64_t delay_ps = (uint64_t)part->light_ms * 1000000000u;
    if (chip->in_reset) {
        return "the controller is held in reset";
    }
    if (!chip->on) {
        return chip->was_on ? "the display sleeps (AE): AF shows the RAM again"
                            : "the display was never switched on: send AF at the end of the "
                              "wake-up sequence";
    }
    if (chip->mode == part->all_off_opcode) {
        return part->all_off_opcode == 0xA4 ? "all pixels are switched off (A4): A6 shows the RAM"
                                            : "all pixels are switched off (A6): A4 shows the RAM";
    }
    if (part->needs_master_configuration && !chip->master_configured) {
        return "the supply was never chosen: send AD 8E";
    }
    if (jl_board_now_ps(device->board) - chip->on_since_ps < delay_ps) {
        return "the display was switched on less than its light-up time ago";
    }
    return NULL;
}

static uint8_t brightness(struct jl_device *device) {
    const struct oled_part *part = device->part->facts;
    return part->brightness(device->state);
}

const struct stranger jl_sim_oled_strangers[] = {
    {0x2A, 0x2A, "columns are a TFT controller's so; here 15 sets them"},
    {0x2B, 0x2B, "rows are a TFT controller's so; here 75 sets them"},
    {0x2C, 0x2C, "pixels are a TFT controller's so; here 5C begins them"},
    {0x11, 0x11, "that wakes a TFT controller; here AF switches the display on"},
    {0x29, 0x29, "that switches a TFT on; here it is AF"},
    {0, 0, NULL},
};

const struct machine jl_sim_oled_machine = {
    .behind = behind,
    .window = window,
    .words = &words,
    .judge_more = judge_more,
    .fits = fits,
    .power_on = power_on,
    .reset = reset,
    .i2c_begin = i2c_begin,
    .i2c_write = i2c_write,
    .i2c_read = i2c_read,
    .read = read,
    .write = write,
    .write_words = write_words,
    .show = show,
    .brightness = brightness,
    .why_dark = why_dark,
};
