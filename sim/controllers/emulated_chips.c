/*
 * Emulated ks0108 and sed1520: two or three controllers side by side behind one glass, each with
 * pages of its own columns. Which of them a byte is for, their selects say: high ones, or low ones
 * on modules that are so (glass.rows_other).
 *
 * Taken where the sheets leave room:
 *  - The ks0108 is busy for 10 us after each byte, three clocks at 300 kHz; what comes earlier is
 *    lost. Its column counts on and around, its page does not.
 *  - The sed1520's column stops at 80. Its duty and its static drive act at once.
 *  - Glass of the sed1520 has 61 columns of each; with A1 they are its columns 79 to 19.
 *  - A byte that both take is seen by both.
 */
#include <stddef.h>
#include <string.h>

#include "../device.h"
#include "jadelamp/sim/emulators.h"

enum { CHIPS = 3, PAGES = 8, COLUMNS = 80 };

struct chips_part {
    int columns, on_glass, pages; /* of one */
    uint64_t busy_ps;
    int most; /* so many of them */
    bool sed; /* its commands, else those of the ks0108 */
};

struct chip {
    uint8_t ram[PAGES][COLUMNS];
    int page, column, first, start_line, column_before; /* first: the column that was set */
    bool on, reversed, all_on, half_duty, modifies, dummy_given;
    uint8_t ahead;
    uint64_t busy_until_ps;
};

struct chips {
    struct chip chip[CHIPS];
    bool came_on, in_reset, reset_reported, busy_reported, none_reported;
};

static struct chips *chips_of(struct jl_device *device) {
    return device->state;
}

static const struct chips_part *part_of(const struct jl_device *device) {
    return device->part->facts;
}

/* Behind this glass. */
static int chip_count(const struct jl_device *device) {
    return device->glass.width > 2 * part_of(device)->on_glass ? 3 : 2;
}

static bool fits(const struct jl_emulated_part *part, const struct jl_glass *glass) {
    const struct chips_part *facts = part->facts;
    return glass->width <= facts->most * facts->on_glass && glass->height <= 8 * facts->pages &&
           !glass->column_offset && !glass->row_offset && !glass->mirrored_x &&
           !glass->mirrored_y && !glass->ram_width;
}

static void load_reset_values(struct chip *chip) {
    uint64_t busy = chip->busy_until_ps;
    memset((char *)chip + sizeof chip->ram, 0, sizeof *chip - sizeof chip->ram);
    chip->busy_until_ps = busy;
}

static void power_on(struct jl_device *device) {
    struct chips *chips = chips_of(device);
    for (int i = 0; i < CHIPS; i++) {
        struct chip *chip = &chips->chip[i];
        jl_sim_device_noise(device, &chip->ram[0][0], sizeof chip->ram);
        load_reset_values(chip);
    }
}

static void reset(struct jl_device *device, bool low) {
    struct chips *chips = chips_of(device);
    for (int i = 0; i < CHIPS; i++) {
        load_reset_values(&chips->chip[i]);
    }
    chips->in_reset = low;
}

static bool is_selected(const struct jl_device *device, int chip) {
    return device->pins[JL_DEVICE_CHIP1 + chip] != device->glass.rows_other;
}

/* ---- bytes ---- */

static void take_data(struct jl_device *device, struct chip *chip, uint8_t byte) {
    const struct chips_part *part = part_of(device);
    if (chip->column >= part->columns) {
        jl_sim_device_report(device, JL_SEVERITY_ERROR, JL_CODE_COLUMN_END,
                             "data past the last column, %d, are lost: set a page and a column "
                             "before each line",
                             part->columns - 1);
        return;
    }
    uint8_t *place = &chip->ram[chip->page][chip->column];
    jl_sim_stored(device, 1, *place != byte);
    *place = byte;
    chip->column++;
    if (!part->sed) {
        chip->column %= part->columns;
    }
}

static void switch_display(struct jl_device *device, struct chip *chip, bool on) {
    chips_of(device)->came_on |= on && !chip->on;
    chip->on = on;
}

static void run_ks0108(struct jl_device *device, struct chip *chip, uint8_t opcode) {
    if (opcode == 0x3E || opcode == 0x3F) {
        switch_display(device, chip, opcode & 1);
    } else if (opcode < 0x80) {
        chip->column = chip->first = opcode & 63;
    } else if (opcode < 0xC0) {
        chip->page = opcode & 7;
    } else {
        chip->start_line = opcode & 63;
    }
}

static void run_sed1520(struct jl_device *device, struct chip *chip, uint8_t opcode) {
    if (opcode < 0x50) {
        chip->column = chip->first = opcode;
        return;
    }
    if (opcode >= 0xB8 && opcode <= 0xBB) {
        chip->page = opcode & 3;
        return;
    }
    if (opcode >= 0xC0 && opcode <= 0xDF) {
        chip->start_line = opcode & 31;
        return;
    }
    switch (opcode) {
    case 0xA0:
    case 0xA1:
        chip->reversed = opcode & 1;
        jl_sim_judge_anew(device);
        break;
    case 0xA4:
    case 0xA5:
        chip->all_on = opcode & 1;
        break;
    case 0xA8:
    case 0xA9:
        chip->half_duty = !(opcode & 1);
        jl_sim_judge_anew(device);
        break;
    case 0xAE:
    case 0xAF:
        switch_display(device, chip, opcode & 1);
        break;
    case 0xE0:
        chip->modifies = true;
        chip->column_before = chip->column;
        break;
    case 0xE2:
        chip->start_line = chip->column = 0;
        chip->page = 3;
        break;
    default: /* EE */
        chip->column = chip->modifies ? chip->column_before : chip->column;
        chip->modifies = false;
        break;
    }
}

/* Whether a chip is ready for a byte now. */
static bool is_ready(struct jl_device *device, struct chip *chip, uint8_t byte) {
    struct chips *chips = chips_of(device);
    uint64_t now = jl_board_now_ps(device->board);
    bool busy = now < chip->busy_until_ps;
    if (busy && !chips->busy_reported) {
        chips->busy_reported = true;
        jl_sim_device_report(device, JL_SEVERITY_ERROR, JL_CODE_BUSY,
                             "byte %02X ignored: it came %.1f us before the controller was ready",
                             byte, (double)(chip->busy_until_ps - now) / 1e6);
    }
    if (!busy) {
        chip->busy_until_ps = now + part_of(device)->busy_ps;
    }
    return !busy;
}

static void take_byte(struct jl_device *device, uint8_t byte, bool data) {
    struct chips *chips = chips_of(device);
    bool known = data || jl_sim_take_opcode(device, byte) != NULL, taken = false;
    for (int i = 0; i < chip_count(device); i++) {
        struct chip *chip = &chips->chip[i];
        if (!is_selected(device, i)) {
            continue;
        }
        taken = true;
        if (!is_ready(device, chip, byte) || !known) {
            continue;
        }
        chip->dummy_given = false;
        if (data) {
            take_data(device, chip, byte);
        } else if (part_of(device)->sed) {
            run_sed1520(device, chip, byte);
        } else {
            run_ks0108(device, chip, byte);
        }
    }
    if (chips->came_on) { /* both, if both were meant */
        chips->came_on = false;
        jl_sim_judge_on(device);
    }
    if (!taken && !chips->none_reported) {
        chips->none_reported = true;
        jl_sim_device_report(device, JL_SEVERITY_ERROR, JL_CODE_NONE_SELECTED,
                             "bytes pass while no controller is selected: their lines select while "
                             "they are %s",
                             device->glass.rows_other ? "low" : "high");
    }
}

static bool is_any_on(const struct chips *chips) {
    return chips->chip[0].on || chips->chip[1].on || chips->chip[2].on;
}

/* The first one that is selected; the left one if none is. */
static int first_selected(const struct jl_device *device) {
    int which = 0;
    while (which < chip_count(device) && !is_selected(device, which)) {
        which++;
    }
    return which < chip_count(device) ? which : 0;
}

static void write(struct jl_device *device, const uint8_t *bytes, size_t count, bool data) {
    struct chips *chips = chips_of(device);
    if (chips->in_reset) {
        if (!chips->reset_reported) {
            chips->reset_reported = true;
            jl_sim_device_report(device, JL_SEVERITY_ERROR, JL_CODE_RESET_HELD,
                                 "bytes arrive while the reset pin is low");
        }
        return;
    }
    for (size_t i = 0; i < count; i++) {
        device->at = i;
        take_byte(device, bytes[i], data);
    }
    if (data) {
        jl_sim_judge_pixels(device, count, 1, is_any_on(chips));
    }
}

/* The left chip that is selected answers: with D/C low its status, busy and off and in reset; else
 * its RAM, behind a dummy byte after each address. */
static uint8_t read(struct jl_device *device) {
    struct chips *chips = chips_of(device);
    const struct chips_part *part = part_of(device);
    int which = first_selected(device);
    struct chip *chip = &chips->chip[which];
    if (!is_selected(device, which)) {
        return 0xFF;
    }
    if (!device->pins[JL_DEVICE_DC]) {
        bool busy = jl_board_now_ps(device->board) < chip->busy_until_ps;
        return (uint8_t)(busy << 7 | (part->sed && !chip->reversed) << 6 | !chip->on << 5 |
                         chips->in_reset << 4);
    }
    uint8_t byte = chip->dummy_given ? chip->ahead : 0xFF;
    bool inside = chip->column < part->columns;
    chip->ahead = inside ? chip->ram[chip->page][chip->column] : 0xFF;
    chip->column += inside && !chip->modifies;
    if (!part->sed) {
        chip->column %= part->columns;
    }
    chip->dummy_given = true;
    return byte;
}

/* ---- the glass ---- */

/* The chip, the column and the row of the RAM behind a pixel. */
static const struct chip *ram_behind(struct jl_device *device, int x, int y, int *column,
                                     int *line) {
    const struct chips_part *part = part_of(device);
    int which = x / part->on_glass;
    const struct chip *chip = &chips_of(device)->chip[which];
    x -= which * part->on_glass;
    *column = chip->reversed ? part->columns - 1 - x : x;
    *line = (y + chip->start_line) % (8 * part->pages);
    return chip;
}

static void show(struct jl_device *device, struct jl_picture *picture) {
    for (int y = 0; y < device->glass.height; y++) {
        for (int x = 0; x < device->glass.width; x++) {
            int column, line;
            const struct chip *chip = ram_behind(device, x, y, &column, &line);
            bool bit = chip->ram[line / 8][column] >> (line % 8) & 1;
            bool driven = chip->on && !(chip->half_duty && y >= 16);
            if (driven && (bit || chip->all_on)) {
                memset(jl_picture_at(picture, x, y), 255, 3);
            }
        }
    }
}

static bool behind(struct jl_device *device, int x, int y, struct place *place) {
    int column, line;
    const struct chip *chip = ram_behind(device, x, y, &column, &line);
    if (chip->half_duty && y >= 16) {
        return false;
    }
    int which = (int)(chip - chips_of(device)->chip);
    place->line = place->row = line;
    place->column = column + which * part_of(device)->on_glass;
    place->offset =
        (size_t)((const char *)&chip->ram[line / 8][column] - (const char *)device->state);
    place->bytes = 1;
    return true;
}

static void window(const struct jl_device *device, struct window *window) {
    const struct chips *chips = device->state;
    int which = first_selected(device);
    const struct chip *chip = &chips->chip[which];
    int left = which * part_of(device)->on_glass;
    *window = (struct window){left + chip->first, left + part_of(device)->on_glass - 1,
                              8 * chip->page, 8 * chip->page + 7};
}

static const struct geometry_words ks0108_words = {.roll = "start line C0..FF",
                                                   .mirror = "the order of the halves"};
static const struct geometry_words sed1520_words = {
    .rows = "the duty (A9)", .roll = "start line C0..DF", .mirror = "A0/A1 (columns)"};

static uint8_t brightness(struct jl_device *device) {
    (void)device;
    return 255;
}

static const char *why_dark(struct jl_device *device) {
    struct chips *chips = chips_of(device);
    if (chips->in_reset) {
        return "the controllers are held in reset";
    }
    if (is_any_on(chips)) {
        return NULL;
    }
    return part_of(device)->sed
               ? "all controllers are off: AF, with all selected, switches them on"
               : "all controllers are off: 3F, with all selected, switches them on";
}

static void judge_more(struct jl_device *device) {
    static const char *const names[][CHIPS] = {{"left half", "right half", ""},
                                               {"left third", "middle", "right third"}};
    const struct chips *chips = chips_of(device);
    int count = chip_count(device);
    if (device->glass.width <= part_of(device)->on_glass || !is_any_on(chips)) {
        return;
    }
    for (int i = 0; i < count; i++) {
        if (!chips->chip[i].on) {
            jl_sim_device_report(device, JL_SEVERITY_ERROR, JL_CODE_GEOMETRY,
                                 "the %s is off: each controller is switched on by itself",
                                 names[count - 2][i]);
        }
    }
}

#define CHIPS_MACHINE                                                                              \
    .chips = true, .behind = behind, .window = window, .judge_more = judge_more, .fits = fits,     \
    .power_on = power_on, .reset = reset, .read = read, .write = write, .show = show,              \
    .brightness = brightness, .why_dark = why_dark

static const struct machine ks0108_machine = {.words = &ks0108_words, CHIPS_MACHINE};
static const struct machine sed1520_machine = {.words = &sed1520_words, CHIPS_MACHINE};

static const struct chips_part ks0108 = {
    .columns = 64, .on_glass = 64, .pages = 8, .most = 3, .busy_ps = 10000000};
static const struct chips_part sed1520 = {
    .columns = 80, .on_glass = 61, .pages = 4, .most = 2, .sed = true};

const struct jl_emulated_part jl_emulated_ks0108 = {
    .name = "ks0108",
    .commands = &jl_sim_ks0108_commands,
    .machine = &ks0108_machine,
    .facts = &ks0108,
    .state_bytes = sizeof(struct chips),
    .parallel_cycle_ps = 1000000,
    .no_8080 = true,
};

const struct jl_emulated_part jl_emulated_sed1520 = {
    .name = "sed1520",
    .commands = &jl_sim_sed1520_commands,
    .machine = &sed1520_machine,
    .facts = &sed1520,
    .state_bytes = sizeof(struct chips),
    .parallel_cycle_ps = 1000000,
};
