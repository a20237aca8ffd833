/*
 * Emulated memory LCDs, ls013b7dh03 and ls027b7dh01 (datasheets, "timing charts"). From the rise of
 * CS on: mode bits M0 (write), M1 (VCOM), M2 (clear all) and five that do not matter; then, with
 * M0, lines: 8 bits of a line's number, its lowest bit first, from 1 on; the pixels, the leftmost
 * first, 1 is white; 8 bits that do not matter, in which the line is taken over. 8 more end it all.
 *
 * Taken where the datasheets leave room:
 *  - A line whose 8 bits behind it are missing is lost; a transaction without the last 8 is told.
 *  - VCOM has to change at least once a second. It counts from the first transaction on; 100 ms
 * more are no mistake, since both halves of a period need not be alike. Which of both changes it,
 * the bit or the pin, is strapped on the module (EXTMODE): here either does.
 */
#include <stddef.h>
#include <string.h>

#include "../device.h"
#include "jadelamp/sim/emulators.h"

enum { MODE_WRITE = 0x80, MODE_VCOM = 0x40, MODE_CLEAR = 0x20, MOST_LINES = 240, MOST_BYTES = 50 };

#define VCOM_PS 1100000000000u

struct size {
    int columns, lines, setup_us; /* tsSCS */
};

struct memory_lcd {
    uint8_t ram[MOST_LINES][MOST_BYTES];
    uint8_t line[MOST_BYTES];
    uint8_t mode;
    bool vcom, started, vcom_reported, number_reported, setup_reported;
    uint64_t vcom_ps, selected_ps; /* when it changed last; when CS rose */
    unsigned at;                   /* bytes of the transaction so far */
    unsigned line_bytes; /* of the line so far, its number and what is behind it counted */
    unsigned zeros;      /* bytes behind the last line */
    int number;
};

static struct memory_lcd *chip_of(struct jl_device *device) {
    return device->state;
}

static const struct size *size_of(const struct jl_device *device) {
    return device->part->facts;
}

static bool fits(const struct jl_emulated_part *part, const struct jl_glass *glass) {
    const struct size *size = part->facts;
    return glass->width == size->columns && glass->height == size->lines && !glass->column_offset &&
           !glass->row_offset && !glass->ram_width && !glass->mirrored_x && !glass->mirrored_y;
}

static void power_on(struct jl_device *device) {
    struct memory_lcd *chip = chip_of(device);
    memset(chip, 0, sizeof *chip);
    jl_sim_device_noise(device, &chip->ram[0][0], sizeof chip->ram);
}

/* ---- the voltage in front ---- */

static void judge_vcom(struct jl_device *device) {
    struct memory_lcd *chip = chip_of(device);
    uint64_t stood = jl_board_now_ps(device->board) - chip->vcom_ps;
    if (chip->started && stood > VCOM_PS && !chip->vcom_reported) {
        chip->vcom_reported = true;
        jl_sim_device_report(device, JL_SEVERITY_ERROR, JL_CODE_VCOM,
                             "VCOM has stood still for %.1f s: it has to change at least once a "
                             "second, by bit 40 of the mode or by EXTCOMIN, or the glass suffers",
                             (double)stood / 1e12);
    }
}

static void change_vcom(struct jl_device *device) {
    judge_vcom(device);
    chip_of(device)->vcom_ps = jl_board_now_ps(device->board);
}

static void vcom_pin(struct jl_device *device) {
    change_vcom(device);
}

/* ---- transactions ---- */

static unsigned bytes_a_line(const struct jl_device *device) {
    return (unsigned)size_of(device)->columns / 8;
}

static unsigned reversed(unsigned byte) {
    unsigned out = 0;
    for (int i = 0; i < 8; i++) {
        out |= (byte >> i & 1) << (7 - i);
    }
    return out;
}

/* What the last transaction lacked is seen when the next one begins, or when somebody looks. */
static void end_transaction(struct jl_device *device) {
    struct memory_lcd *chip = chip_of(device);
    bool writes = chip->mode & MODE_WRITE;
    if (chip->at && writes && (chip->line_bytes || chip->zeros == 0)) {
        jl_sim_device_report(
            device, JL_SEVERITY_ERROR, JL_CODE_TRANSFER_CUT,
            chip->line_bytes
                ? "CS ended in line %d, which is lost: pixels and 8 bits of zeros belong to it"
                : "CS ended behind line %d: 8 more bits of zeros end a transaction",
            chip->number);
    } else if (chip->at == 1 && !writes) {
        jl_sim_device_report(device, JL_SEVERITY_ERROR, JL_CODE_TRANSFER_CUT,
                             "CS ended behind the mode %02X: 8 bits of zeros belong to it",
                             chip->mode);
    }
    chip->at = chip->line_bytes = chip->zeros = 0;
}

static void selected(struct jl_device *device) {
    end_transaction(device);
    chip_of(device)->selected_ps = jl_board_now_ps(device->board);
}

static void judge_setup(struct jl_device *device) {
    struct memory_lcd *chip = chip_of(device);
    uint64_t passed = jl_board_now_ps(device->board) - chip->selected_ps;
    uint64_t least_us = (uint64_t)size_of(device)->setup_us;
    if (jl_sim_too_short(passed, least_us * 1000000) && !chip->setup_reported) {
        chip->setup_reported = true;
        jl_sim_device_report(device, JL_SEVERITY_WARNING, JL_CODE_PULSE_TOO_SHORT,
                             "CS rose %.1f us before the first bit, at least %d us are needed",
                             (double)passed / 1e6, (int)least_us);
    }
}

static void take_mode(struct jl_device *device, uint8_t mode) {
    struct memory_lcd *chip = chip_of(device);
    chip->mode = mode;
    if (!chip->started) {
        chip->started = true;
        chip->vcom_ps = jl_board_now_ps(device->board);
        chip->vcom = mode & MODE_VCOM;
    }
    if (chip->vcom != !!(mode & MODE_VCOM)) {
        chip->vcom = mode & MODE_VCOM;
        change_vcom(device);
    }
    (void)jl_sim_take_opcode(device, mode);
    if (mode & MODE_CLEAR) {
        memset(chip->ram, 0xFF, sizeof chip->ram);
        jl_sim_judge_pixels(device, (size_t)size_of(device)->lines * bytes_a_line(device), 1, true);
    }
}

static void store_line(struct jl_device *device) {
    struct memory_lcd *chip = chip_of(device);
    unsigned bytes = bytes_a_line(device);
    if (chip->number < 1 || chip->number > size_of(device)->lines) {
        if (!chip->number_reported) {
            chip->number_reported = true;
            jl_sim_device_report(device, JL_SEVERITY_ERROR, JL_CODE_ADDRESS_RANGE,
                                 "line %d: expected 1 to %d, with its lowest bit first",
                                 chip->number, size_of(device)->lines);
        }
        return;
    }
    uint8_t *line = chip->ram[chip->number - 1];
    jl_sim_stored(device, 1, memcmp(line, chip->line, bytes) != 0);
    memcpy(line, chip->line, bytes);
    jl_sim_judge_pixels(device, bytes, 1, true);
}

static void take_line_byte(struct jl_device *device, uint8_t byte) {
    struct memory_lcd *chip = chip_of(device);
    unsigned bytes = bytes_a_line(device);
    if (chip->line_bytes == 0 && byte == 0) {
        chip->zeros++; /* no line has this number: the end */
        return;
    }
    if (chip->line_bytes == 0) {
        chip->number = (int)reversed(byte);
    } else if (chip->line_bytes <= bytes) {
        chip->line[chip->line_bytes - 1] = byte;
    }
    if (chip->line_bytes++ > bytes) {
        chip->line_bytes = 0;
        store_line(device);
    }
}

static void write(struct jl_device *device, const uint8_t *bytes, size_t count, bool data) {
    struct memory_lcd *chip = chip_of(device);
    (void)data;
    for (size_t i = 0; i < count; i++) {
        device->at = i;
        if (chip->at++ == 0) {
            judge_setup(device);
            take_mode(device, bytes[i]);
        } else if (chip->mode & MODE_WRITE) {
            take_line_byte(device, bytes[i]);
        }
    }
}

/* ---- the glass ---- */

static void show(struct jl_device *device, struct jl_picture *picture) {
    const struct memory_lcd *chip = chip_of(device);
    if (!jl_sim_device_is_selected(device)) {
        end_transaction(device);
    }
    judge_vcom(device);
    for (int y = 0; y < device->glass.height; y++) {
        for (int x = 0; x < device->glass.width; x++) {
            if (chip->ram[y][x / 8] >> (7 - x % 8) & 1) {
                memset(jl_picture_at(picture, x, y), 255, 3);
            }
        }
    }
}

static bool behind(struct jl_device *device, int x, int y, struct place *place) {
    (void)device;
    *place = (struct place){.line = y,
                            .column = x,
                            .row = y,
                            .offset = offsetof(struct memory_lcd, ram) + (size_t)y * MOST_BYTES +
                                      (size_t)x / 8,
                            .bytes = 1};
    return true;
}

static const struct geometry_words words = {.mirror = "the numbers of lines and the order of bits"};

static uint8_t brightness(struct jl_device *device) {
    (void)device;
    return 255;
}

static const char *why_dark(struct jl_device *device) {
    return chip_of(device)->started ? NULL : "nothing was sent: the memory holds noise";
}

static const struct machine machine = {
    .behind = behind, /* and no window: one transaction names many lines */
    .words = &words,
    .fits = fits,
    .power_on = power_on,
    .selected = selected,
    .vcom = vcom_pin,
    .write = write,
    .show = show,
    .brightness = brightness,
    .why_dark = why_dark,
};

static const struct size small = {128, 128, 6}, large = {400, 240, 3};

const struct jl_emulated_part jl_emulated_ls013b7dh03 = {
    .name = "ls013b7dh03",
    .commands = &jl_sim_memory_lcd_commands,
    .machine = &machine,
    .facts = &small,
    .state_bytes = sizeof(struct memory_lcd),
    .serial_cycle_ps = 909000,
    .select_high = true,
};

const struct jl_emulated_part jl_emulated_ls027b7dh01 = {
    .name = "ls027b7dh01",
    .commands = &jl_sim_memory_lcd_commands,
    .machine = &machine,
    .facts = &large,
    .state_bytes = sizeof(struct memory_lcd),
    .serial_cycle_ps = 500000,
    .select_high = true,
};
