/*
 * Emulated ws0010 in its graphic mode, on 8 lines: 100 columns of two bytes. As a character
 * controller it is in emulated_hd44780.c.
 *
 * Taken where the sheet leaves room:
 *  - It is busy for 37 us after each byte and 6.2 ms after 01 and 02; what comes earlier is lost.
 *  - The column stops at 99; what comes behind is lost. Clearing makes it 0, and leaves the dots.
 *  - Characters (17) are not shown on such a glass.
 *  - It starts with noise in its RAM, off, and with 8 lines.
 */
#include <stddef.h>
#include <string.h>

#include "../device.h"
#include "jadelamp/sim/emulators.h"

enum { COLUMNS = 100, ROWS = 2 };

static const uint64_t busy_ps = 37000000, long_ps = 6200000000;

struct ws0010 {
    uint8_t ram[ROWS][COLUMNS];
    int column, row, first;
    bool on, was_on, supply, graphics, down, four_lines;
    uint64_t busy_until_ps;
    bool busy_reported, end_reported, mode_reported;
};

static struct ws0010 *chip_of(struct jl_device *device) {
    return device->state;
}

static bool fits(const struct jl_emulated_part *part, const struct jl_glass *glass) {
    (void)part;
    return glass->width <= COLUMNS && glass->height <= 8 * ROWS && !glass->column_offset &&
           !glass->row_offset && !glass->mirrored_x && !glass->mirrored_y && !glass->ram_width;
}

static void power_on(struct jl_device *device) {
    struct ws0010 *chip = chip_of(device);
    memset(chip, 0, sizeof *chip);
    jl_sim_device_noise(device, chip->ram[0], sizeof chip->ram);
}

static void set_supply(struct jl_device *device, uint8_t opcode) {
    struct ws0010 *chip = chip_of(device);
    chip->supply = opcode & 4;
    chip->graphics = opcode & 8;
    jl_sim_judge_anew(device);
}

static void switch_display(struct jl_device *device, bool on) {
    struct ws0010 *chip = chip_of(device);
    bool came = on && !chip->on;
    chip->on = on;
    chip->was_on |= on;
    if (came) {
        jl_sim_judge_on(device);
    }
}

static void run(struct jl_device *device, uint8_t opcode) {
    struct ws0010 *chip = chip_of(device);
    if (opcode & 0x80) {
        chip->column = chip->first = opcode & 0x7F;
        if (chip->column >= COLUMNS) {
            jl_sim_device_report(device, JL_SEVERITY_ERROR, JL_CODE_ADDRESS_RANGE,
                                 "column %d is beyond the last one, %d", chip->column, COLUMNS - 1);
        }
    } else if (opcode & 0x40) {
        chip->row = opcode & 1;
        if ((opcode & 0x3F) >= ROWS) {
            jl_sim_device_report(device, JL_SEVERITY_ERROR, JL_CODE_ADDRESS_RANGE,
                                 "%02X: there are two rows of 8 dots, 40 and 41", opcode);
        }
    } else if (opcode & 0x20) {
        chip->four_lines = !(opcode & 0x10);
        if (chip->four_lines) {
            jl_sim_device_report(device, JL_SEVERITY_ERROR, JL_CODE_WRONG_MODE,
                                 "%02X asks for 4 data lines, and the bus has 8: 38 is for them",
                                 opcode);
        }
    } else if ((opcode & 0xF3) == 0x13) {
        set_supply(device, opcode);
    } else if ((opcode & 0xF8) == 0x08) {
        switch_display(device, opcode & 4);
    } else if ((opcode & 0xFC) == 0x04) {
        chip->down = !(opcode & 2);
    } else if (opcode < 4) {
        chip->column = chip->row = 0;
    }
}

static void take_data(struct jl_device *device, uint8_t byte) {
    struct ws0010 *chip = chip_of(device);
    if (!chip->graphics) {
        if (!chip->mode_reported) {
            chip->mode_reported = true;
            jl_sim_device_report(device, JL_SEVERITY_ERROR, JL_CODE_WRONG_MODE,
                                 "pixels come while it shows characters: send 1F (graphics) first");
        }
        return;
    }
    if (chip->column < 0 || chip->column >= COLUMNS) {
        if (!chip->end_reported) {
            chip->end_reported = true;
            jl_sim_device_report(device, JL_SEVERITY_ERROR, JL_CODE_COLUMN_END,
                                 "data past the last column, %d, are lost: set a row and a column "
                                 "before each line",
                                 COLUMNS - 1);
        }
        return;
    }
    uint8_t *place = &chip->ram[chip->row][chip->column];
    jl_sim_stored(device, 1, *place != byte);
    *place = byte;
    chip->column += chip->down ? -1 : 1;
}

static void take(struct jl_device *device, uint8_t byte, bool data, uint64_t at_ps) {
    struct ws0010 *chip = chip_of(device);
    if (at_ps < chip->busy_until_ps) {
        if (!chip->busy_reported) {
            chip->busy_reported = true;
            jl_sim_device_report(device, JL_SEVERITY_ERROR, JL_CODE_BUSY,
                                 "byte %02X ignored: it came %.1f us before the controller was "
                                 "ready",
                                 byte, (double)(chip->busy_until_ps - at_ps) / 1e6);
        }
        return;
    }
    bool takes_long = !data && byte < 4 && byte;
    chip->busy_until_ps = at_ps + (takes_long ? long_ps : busy_ps);
    if (data) {
        take_data(device, byte);
    } else if (jl_sim_take_opcode(device, byte)) {
        run(device, byte);
    }
}

static void write(struct jl_device *device, const uint8_t *bytes, size_t count, bool data) {
    struct ws0010 *chip = chip_of(device);
    uint64_t begin = jl_board_now_ps(device->board), unit = jl_sim_device_unit_ps(device);
    for (size_t i = 0; i < count; i++) {
        device->at = i;
        take(device, bytes[i], data, begin + i * unit);
    }
    if (data && chip->graphics) {
        jl_sim_judge_pixels(device, count, 1, chip->on && chip->supply);
    }
}

/* With RS low the busy flag and the column; else the RAM. */
static uint8_t read(struct jl_device *device) {
    struct ws0010 *chip = chip_of(device);
    if (!device->pins[JL_DEVICE_DC]) {
        bool busy = jl_board_now_ps(device->board) < chip->busy_until_ps;
        return (uint8_t)(busy << 7 | (chip->column & 0x7F));
    }
    bool inside = chip->column >= 0 && chip->column < COLUMNS;
    return inside ? chip->ram[chip->row][chip->column++] : 0xFF;
}

static void show(struct jl_device *device, struct jl_picture *picture) {
    const struct ws0010 *chip = chip_of(device);
    for (int y = 0; y < device->glass.height; y++) {
        for (int x = 0; x < device->glass.width; x++) {
            if (chip->ram[y / 8][x] >> (y % 8) & 1) {
                memset(jl_picture_at(picture, x, y), 255, 3);
            }
        }
    }
}

static bool behind(struct jl_device *device, int x, int y, struct place *place) {
    const struct ws0010 *chip = chip_of(device);
    place->line = place->row = y;
    place->column = x;
    place->offset = (size_t)((const char *)&chip->ram[y / 8][x] - (const char *)device->state);
    place->bytes = 1;
    return true;
}

static void window(const struct jl_device *device, struct window *window) {
    const struct ws0010 *chip = device->state;
    *window = (struct window){chip->first, COLUMNS - 1, 8 * chip->row, 8 * chip->row + 7};
}

static uint8_t brightness(struct jl_device *device) {
    (void)device;
    return 255;
}

static const char *why_dark(struct jl_device *device) {
    const struct ws0010 *chip = chip_of(device);
    if (!chip->supply) {
        return "the supply of the glass is off: send 1F";
    }
    if (!chip->graphics) {
        return "it shows characters, which this glass has not: 1F is for graphics";
    }
    return chip->on       ? NULL
           : chip->was_on ? "the display is off: send 0C"
                          : "the display was never switched on: send 0C";
}

static const struct geometry_words words = {.mirror = "the entry mode (06)"};

static const struct machine machine = {
    .fits = fits,
    .power_on = power_on,
    .write = write,
    .read = read,
    .show = show,
    .behind = behind,
    .window = window,
    .words = &words,
    .brightness = brightness,
    .why_dark = why_dark,
};

const struct jl_emulated_part jl_emulated_ws0010_graphics = {
    .name = "ws0010_graphics",
    .commands = &jl_sim_ws0010_graphics_commands,
    .machine = &machine,
    .state_bytes = sizeof(struct ws0010),
    .parallel_cycle_ps = 500000,
    .no_8080 = true,
};
