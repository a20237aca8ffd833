/*
 * Emulated t6963c: one RAM for text, graphics and characters, which registers share out. Arguments
 * come in front of their command, with C/D low; with C/D high a read gives the status.
 *
 * Taken where the sheet leaves room:
 *  - The module has 8 KB; addresses go around. It is busy for 2 us after each byte; what comes
 *    earlier is lost.
 *  - In auto write only the end of it is taken as a command.
 *  - Characters of its own ROM are those of hd44780 modules, in the middle of their cells.
 *  - FS high (glass.rows_other) makes columns of 6 dots: the upper two bits of a byte are not
 * shown.
 *  - Screen peek and copy are taken, and do nothing.
 */
#include <stddef.h>
#include <string.h>

#include "../device.h"
#include "char_rom.h"
#include "jadelamp/sim/emulators.h"

enum { RAM_BYTES = 0x2000, FIRST_CODE = 0x20, ROM_CODES = 0x80 };

static const uint64_t busy_ps = 2000000, blink_ps = 500000000000;

enum direction { UP = 0, DOWN = 1, STAY = 2 }; /* as bits 2 and 1 of C0 to C5 say */

struct t6963c {
    uint8_t ram[RAM_BYTES];
    /* registers: all that a reset clears */
    uint8_t arguments[2];
    int argument_count;
    unsigned address, first, text_home, graphic_home;
    int text_area, graphic_area; /* bytes from row to row */
    uint8_t offset, mode, display, cursor_lines, cursor_column, cursor_row;
    bool auto_write, auto_read, read_due;
    bool in_reset, was_on, areas_given;
    uint8_t given;
    uint64_t busy_until_ps;
    bool busy_reported, reset_reported, early_reported, many_reported;
};

static struct t6963c *chip_of(struct jl_device *device) {
    return device->state;
}

static bool fits(const struct jl_emulated_part *part, const struct jl_glass *glass) {
    (void)part;
    return glass->width <= 240 && glass->height <= 128 && !glass->column_offset &&
           !glass->row_offset && !glass->mirrored_x && !glass->mirrored_y && !glass->ram_width;
}

static void load_reset_values(struct t6963c *chip) {
    memset((char *)chip + sizeof chip->ram, 0, sizeof *chip - sizeof chip->ram);
}

static void power_on(struct jl_device *device) {
    struct t6963c *chip = chip_of(device);
    jl_sim_device_noise(device, chip->ram, sizeof chip->ram);
    load_reset_values(chip);
}

static void reset(struct jl_device *device, bool low) {
    struct t6963c *chip = chip_of(device);
    load_reset_values(chip);
    chip->in_reset = low;
}

static unsigned at(unsigned address) {
    return address % RAM_BYTES;
}

/* Dots of a column, and columns of the glass; the last one may be cut. */
static int dots(const struct jl_device *device) {
    return device->glass.rows_other ? 6 : 8;
}

static int columns(const struct jl_device *device) {
    return (device->glass.width + dots(device) - 1) / dots(device);
}

/* ---- commands ---- */

static void move(struct t6963c *chip, enum direction direction) {
    chip->address = direction == UP     ? chip->address + 1
                    : direction == DOWN ? chip->address - 1
                                        : chip->address;
    chip->address &= 0xFFFF;
}

static void store(struct jl_device *device, uint8_t byte, enum direction direction) {
    struct t6963c *chip = chip_of(device);
    uint8_t *place = &chip->ram[at(chip->address)];
    jl_sim_stored(device, 1, *place != byte);
    *place = byte;
    move(chip, direction);
}

static unsigned word(const struct t6963c *chip) {
    return (unsigned)(chip->arguments[1] << 8 | chip->arguments[0]);
}

static void set_register(struct jl_device *device, uint8_t opcode) {
    struct t6963c *chip = chip_of(device);
    switch (opcode) {
    case 0x21:
        chip->cursor_column = chip->arguments[0] & 0x7F;
        chip->cursor_row = chip->arguments[1] & 0x1F;
        break;
    case 0x22:
        chip->offset = chip->arguments[0] & 0x1F;
        break;
    case 0x24:
        chip->address = chip->first = word(chip);
        break;
    case 0x40:
        chip->text_home = word(chip);
        break;
    case 0x41:
        chip->text_area = chip->arguments[0];
        break;
    case 0x42:
        chip->graphic_home = word(chip);
        jl_sim_judge_anew(device);
        break;
    default: /* 43 */
        chip->graphic_area = chip->arguments[0];
        chip->areas_given = true;
        jl_sim_judge_anew(device);
        break;
    }
}

static void access_data(struct jl_device *device, uint8_t opcode) {
    struct t6963c *chip = chip_of(device);
    enum direction direction = (enum direction)(opcode >> 1 & 3);
    if (opcode & 1) {
        chip->given = chip->ram[at(chip->address)];
        chip->read_due = true;
        move(chip, direction);
    } else {
        store(device, chip->arguments[0], direction);
    }
}

static void switch_display(struct jl_device *device, uint8_t opcode) {
    struct t6963c *chip = chip_of(device);
    bool on = (opcode & 0x0C) && !(chip->display & 0x0C);
    chip->display = opcode & 0x0F;
    chip->was_on |= on;
    if (on) {
        jl_sim_judge_on(device);
    }
}

static void run(struct jl_device *device, uint8_t opcode) {
    struct t6963c *chip = chip_of(device);
    if (opcode < 0x80) {
        set_register(device, opcode);
    } else if (opcode < 0x90) {
        chip->mode = opcode & 0x0F;
    } else if (opcode < 0xA0) {
        switch_display(device, opcode);
    } else if (opcode < 0xB0) {
        chip->cursor_lines = opcode & 7;
    } else if (opcode < 0xC0) {
        chip->auto_write = opcode == 0xB0;
        chip->auto_read = opcode == 0xB1;
        chip->first = chip->address;
    } else if (opcode < 0xD0) {
        access_data(device, opcode);
    } else if (opcode >= 0xF0) {
        uint8_t *place = &chip->ram[at(chip->address)];
        uint8_t bit = (uint8_t)(1 << (opcode & 7));
        *place = (uint8_t)(opcode & 8 ? *place | bit : *place & ~bit);
    }
}

static void take_command(struct jl_device *device, uint8_t opcode) {
    struct t6963c *chip = chip_of(device);
    const struct command *command = jl_sim_take_opcode(device, opcode);
    int count = chip->argument_count;
    chip->argument_count = 0;
    if ((chip->auto_write || chip->auto_read) && opcode != 0xB2) {
        jl_sim_device_report(device, JL_SEVERITY_ERROR, JL_CODE_ARGUMENT_COUNT,
                             "command %02X is lost: it comes in auto %s, which B2 ends", opcode,
                             chip->auto_write ? "write" : "read");
        return;
    }
    if (command && count != command->least) {
        jl_sim_device_report(device, JL_SEVERITY_ERROR, JL_CODE_ARGUMENT_COUNT,
                             "command %02X (%s) takes %d byte%s in front of it, and %d came",
                             opcode, command->name, command->least, command->least == 1 ? "" : "s",
                             count);
    }
    if (command && count >= command->least) {
        run(device, opcode);
    }
}

static void take_data(struct jl_device *device, uint8_t byte) {
    struct t6963c *chip = chip_of(device);
    if (chip->auto_write) {
        store(device, byte, UP);
    } else if (chip->argument_count < 2) {
        chip->arguments[chip->argument_count++] = byte;
    } else if (!chip->many_reported) {
        chip->many_reported = true;
        jl_sim_device_report(device, JL_SEVERITY_ERROR, JL_CODE_ARGUMENT_COUNT,
                             "a third byte (%02X) came in front of a command: pixels go behind B0 "
                             "(auto write) only",
                             byte);
    }
}

/* Whether it takes a byte at a time. */
static bool is_ready(struct jl_device *device, uint8_t byte, uint64_t now) {
    struct t6963c *chip = chip_of(device);
    if (chip->in_reset) {
        if (!chip->reset_reported) {
            chip->reset_reported = true;
            jl_sim_device_report(device, JL_SEVERITY_ERROR, JL_CODE_RESET_HELD,
                                 "bytes arrive while the reset pin is low");
        }
        return false;
    }
    if (now < chip->busy_until_ps && !chip->busy_reported) {
        chip->busy_reported = true;
        jl_sim_device_report(device, JL_SEVERITY_ERROR, JL_CODE_BUSY,
                             "byte %02X ignored: it came %.1f us before the controller was ready: "
                             "read the status in front of each byte",
                             byte, (double)(chip->busy_until_ps - now) / 1e6);
    }
    return now >= chip->busy_until_ps;
}

static void write(struct jl_device *device, const uint8_t *bytes, size_t count, bool high) {
    struct t6963c *chip = chip_of(device);
    uint64_t begin = jl_board_now_ps(device->board), unit = jl_sim_device_unit_ps(device);
    bool pixels = chip->auto_write && !high;
    size_t taken = 0;
    for (size_t i = 0; i < count; i++) {
        device->at = i;
        if (!is_ready(device, bytes[i], begin + i * unit)) {
            continue;
        }
        taken++;
        chip->busy_until_ps = begin + (i + 1) * unit + busy_ps;
        if (high) {
            take_command(device, bytes[i]);
        } else {
            take_data(device, bytes[i]);
        }
    }
    if (pixels) {
        jl_sim_judge_pixels(device, taken, 1, chip->display & 0x0C);
    }
}

/* C/D high: ready for commands, data, auto read and auto write; and that it is in operation. */
static uint8_t read(struct jl_device *device) {
    struct t6963c *chip = chip_of(device);
    if (!device->pins[JL_DEVICE_DC]) {
        uint8_t byte = chip->auto_read ? chip->ram[at(chip->address)] : chip->given;
        if (chip->auto_read) {
            move(chip, UP);
        }
        chip->read_due = false;
        return byte;
    }
    bool ready = !chip->in_reset && jl_board_now_ps(device->board) >= chip->busy_until_ps;
    uint8_t bits = chip->auto_write ? 0x08 : chip->auto_read ? 0x04 : 0x03;
    return (uint8_t)(0x20 | (ready ? bits : 0));
}

/* ---- the glass ---- */

/* The byte of graphics behind a column of a row. */
static unsigned graphics_at(const struct t6963c *chip, int column, int y) {
    return at(chip->graphic_home + (unsigned)(y * chip->graphic_area + column));
}

static bool bit_of(const struct jl_device *device, unsigned byte, int dot) {
    return byte >> (dots(device) - 1 - dot) & 1;
}

static bool text_dot(const struct jl_device *device, const struct t6963c *chip, int column, int dot,
                     int y) {
    int row = y / 8, line = y % 8;
    unsigned code = chip->ram[at(chip->text_home + (unsigned)(row * chip->text_area + column))];
    bool own_ram = chip->mode & 8 || code >= ROM_CODES;
    unsigned address = at((unsigned)chip->offset << 11 | code << 3 | (unsigned)line);
    unsigned rom = own_ram ? 0 : jl_sim_char_rom_a00.rows[code + FIRST_CODE][line];
    unsigned bits = own_ram ? chip->ram[address] : rom << 1;
    return bit_of(device, bits, dot);
}

static bool cursor_dot(const struct t6963c *chip, int column, int y) {
    return chip->display & 2 && column == chip->cursor_column && y / 8 == chip->cursor_row &&
           7 - y % 8 <= chip->cursor_lines;
}

static bool is_lit(const struct jl_device *device, const struct t6963c *chip, bool blinked, int x,
                   int y) {
    int column = x / dots(device), dot = x % dots(device);
    bool text = chip->display & 4 && text_dot(device, chip, column, dot, y);
    bool graphics =
        chip->display & 8 && bit_of(device, chip->ram[graphics_at(chip, column, y)], dot);
    if (cursor_dot(chip, column, y) && !(chip->display & 1 && blinked)) {
        return true;
    }
    switch (chip->mode & 7) {
    case 1:
        return text != graphics;
    case 3:
        return text && graphics;
    case 4: { /* the graphics of the upper line of a cell are its attribute */
        unsigned attribute = chip->ram[graphics_at(chip, column, y / 8)] & 0x0F;
        bool hidden = (attribute & 7) == 3 || (attribute & 8 && blinked);
        return chip->display & 4 && !hidden && text != ((attribute & 7) == 5);
    }
    default:
        return text || graphics;
    }
}

static void show(struct jl_device *device, struct jl_picture *picture) {
    const struct t6963c *chip = chip_of(device);
    bool blinked = jl_board_now_ps(device->board) / blink_ps % 2;
    for (int y = 0; y < device->glass.height; y++) {
        for (int x = 0; x < device->glass.width; x++) {
            if (is_lit(device, chip, blinked, x, y)) {
                memset(jl_picture_at(picture, x, y), 255, 3);
            }
        }
    }
}

static bool behind(struct jl_device *device, int x, int y, struct place *place) {
    const struct t6963c *chip = chip_of(device);
    unsigned address = graphics_at(chip, x / dots(device), y);
    place->line = place->row = y;
    place->column = x;
    place->offset = offsetof(struct t6963c, ram) + address;
    place->bytes = 1;
    return true;
}

/* From where it was addressed, to the end of that row. */
static void window(const struct jl_device *device, struct window *window) {
    const struct t6963c *chip = device->state;
    int area = chip->graphic_area ? chip->graphic_area : 1;
    int from = (int)((chip->first - chip->graphic_home) & 0xFFFF);
    int row = from / area, column = from % area * dots(device);
    bool whole = from % area == 0;
    *window = (struct window){column, area * dots(device) - 1, row,
                              whole ? device->glass.height - 1 : row};
}

static uint8_t brightness(struct jl_device *device) {
    (void)device;
    return 255;
}

static const char *why_dark(struct jl_device *device) {
    const struct t6963c *chip = chip_of(device);
    if (chip->in_reset) {
        return "the controller is held in reset";
    }
    if (chip->display & 0x0C) {
        return NULL;
    }
    return chip->was_on ? "graphics and text are off: 98 (graphics), 94 (text) or 9C (both)"
                        : "the display was never switched on: send 98 (graphics), 94 (text) or 9C "
                          "(both)";
}

/* How far a row is from the next, against what a row of the glass takes. */
static void judge_more(struct jl_device *device) {
    const struct t6963c *chip = chip_of(device);
    int area = chip->graphic_area, needed = columns(device);
    if (!(chip->display & 8) || area == needed) {
        return;
    }
    if (area * 8 == device->glass.width && dots(device) == 6) {
        jl_sim_device_report(device, JL_SEVERITY_ERROR, JL_CODE_GEOMETRY,
                             "FS is high: a byte is 6 dots, and a row of the glass takes %d bytes "
                             "instead of %d: the picture is torn; wire FS low",
                             needed, area);
    } else if (area < needed) {
        jl_sim_device_report(device, JL_SEVERITY_ERROR, JL_CODE_GEOMETRY,
                             "rows are %d bytes apart (graphic area, 43), and a row of the glass "
                             "takes %d: rows overlap",
                             area, needed);
    }
}

static const struct geometry_words words = {.roll = "graphic home address (42)",
                                            .mirror = "the wiring of the glass"};

static const struct machine machine = {
    .fits = fits,
    .power_on = power_on,
    .reset = reset,
    .write = write,
    .read = read,
    .show = show,
    .brightness = brightness,
    .why_dark = why_dark,
    .behind = behind,
    .window = window,
    .words = &words,
    .judge_more = judge_more,
};

const struct jl_emulated_part jl_emulated_t6963c = {
    .name = "t6963c",
    .commands = &jl_sim_t6963c_commands,
    .machine = &machine,
    .state_bytes = sizeof(struct t6963c),
    .parallel_cycle_ps = 250000,
    .parallel_read_cycle_ps = 250000,
    .no_6800 = true,
};
