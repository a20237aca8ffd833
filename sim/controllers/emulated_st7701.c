/*
 * Emulated st7701: glass up to 480x864 that is scanned out, with a command port of 9-bit words on
 * 3-wire SPI. DCS commands in all banks; FF 77 01 00 00 and 10, 11, 12 or 13 opens a bank of the
 * maker's, 00 closes it. Of those C0 in bank 10 counts here: the lines that are driven. Until sleep
 * out and display on the glass has no voltages, and normally white glass is white.
 */
#include <string.h>

#include "jadelamp/sim/emulators.h"
#include "scanned_glass.h"

enum { MOST_ARGUMENTS = 32, COMMAND_WAIT_MS = 5 };
#define PS_PER_MS ((uint64_t)1000000000)

struct chip {
    struct scanned scanned; /* first */
    bool asleep, on, inverted, early_told, in_reset;
    uint8_t bank, pixel_format;
    uint8_t command;
    bool has_command;
    uint8_t arguments[MOST_ARGUMENTS];
    int argument_count;
    int lines; /* that are driven */
    uint64_t deaf_until_ps;
};

static struct chip *chip_of(struct jl_device *device) {
    return device->state;
}

/* Registers as after a reset; the glass stays as it is. */
static void reset_registers(struct jl_device *device) {
    struct chip *chip = chip_of(device);
    chip->asleep = true;
    chip->on = chip->inverted = chip->has_command = false;
    chip->bank = 0;
    chip->pixel_format = 0x77;
    chip->lines = 864;
    chip->deaf_until_ps = jl_board_now_ps(device->board) + COMMAND_WAIT_MS * PS_PER_MS;
}

static void power_on(struct jl_device *device) {
    jl_sim_scanned_power_on(device);
    reset_registers(device);
    chip_of(device)->deaf_until_ps = 0; /* nobody can tell when it got its power */
}

static void reset(struct jl_device *device, bool low) {
    chip_of(device)->in_reset = low;
    reset_registers(device); /* and ready some time after the pin went high */
}

static bool fits(const struct jl_emulated_part *part, const struct jl_glass *glass) {
    return jl_sim_scanned_fits(part, glass) && glass->width <= 480;
}

static void wait_for_it(struct jl_device *device) {
    chip_of(device)->deaf_until_ps = jl_board_now_ps(device->board) + COMMAND_WAIT_MS * PS_PER_MS;
}

/* Commands that do something without an argument. */
static void begin_command(struct jl_device *device, uint8_t command) {
    struct chip *chip = chip_of(device);
    if (jl_board_now_ps(device->board) < chip->deaf_until_ps && !chip->early_told) {
        chip->early_told = true;
        jl_sim_device_report(device, JL_SEVERITY_WARNING, JL_CODE_WAIT_TOO_SHORT,
                             "command %02X came less than %d ms after a reset or sleep out",
                             command, COMMAND_WAIT_MS);
    }
    chip->command = command;
    chip->has_command = true;
    chip->argument_count = 0;
    switch (command) {
    case 0x01:
        reset_registers(device);
        break;
    case 0x10:
    case 0x11:
        chip->asleep = command == 0x10;
        wait_for_it(device);
        break;
    case 0x20:
    case 0x21:
        chip->inverted = command == 0x21;
        break;
    case 0x28:
    case 0x29:
        chip->on = command == 0x29;
        break;
    default:
        break;
    }
}

static bool is_standard(uint8_t command) {
    static const uint8_t known[] = {0x00, 0x01, 0x04, 0x09, 0x0A, 0x0B, 0x0C, 0x0D, 0x0E,
                                    0x0F, 0x10, 0x11, 0x12, 0x13, 0x20, 0x21, 0x22, 0x23,
                                    0x26, 0x28, 0x29, 0x34, 0x35, 0x36, 0x38, 0x39, 0x3A,
                                    0x44, 0x45, 0x51, 0x52, 0x53, 0x55, 0xFF};
    return memchr(known, command, sizeof known) != NULL;
}

/* FF is complete behind its fifth argument; C0 behind its second. */
static void take_argument(struct jl_device *device, uint8_t byte) {
    struct chip *chip = chip_of(device);
    if (chip->argument_count < MOST_ARGUMENTS) {
        chip->arguments[chip->argument_count++] = byte;
    }
    const uint8_t *a = chip->arguments;
    if (chip->command == 0xFF && chip->argument_count == 5) {
        static const uint8_t key[] = {0x77, 0x01, 0x00, 0x00};
        bool known =
            memcmp(a, key, sizeof key) == 0 && (a[4] == 0 || (a[4] >= 0x10 && a[4] <= 0x13));
        if (!known) {
            jl_sim_device_report(device, JL_SEVERITY_ERROR, JL_CODE_ARGUMENT_VALUE,
                                 "FF %02X %02X %02X %02X %02X opens no bank: 77 01 00 00 and 00, "
                                 "10, 11, 12 or 13",
                                 a[0], a[1], a[2], a[3], a[4]);
        }
        chip->bank = known ? a[4] : chip->bank;
    } else if (chip->command == 0x3A && chip->argument_count == 1) {
        chip->pixel_format = byte;
    } else if (chip->command == 0xC0 && chip->bank == 0x10 && chip->argument_count <= 2) {
        chip->lines = ((a[0] & 0x7F) + 1) * 8;
        if (chip->argument_count == 2 && a[0] & 0x80) {
            chip->lines += 2 * (a[1] & 3);
        }
    }
}

static void write(struct jl_device *device, const uint8_t *bytes, size_t count, bool data) {
    struct chip *chip = chip_of(device);
    for (size_t i = 0; i < count && !chip->in_reset; i++) {
        device->at = i;
        if (data) {
            if (chip->has_command) {
                take_argument(device, bytes[i]);
            }
            continue;
        }
        if (!is_standard(bytes[i]) && !(chip->bank && bytes[i] >= 0xB0)) {
            jl_sim_device_report(device, JL_SEVERITY_WARNING, JL_CODE_UNKNOWN_COMMAND,
                                 "unknown command %02X%s", bytes[i],
                                 bytes[i] >= 0xB0 ? ": no bank is open (FF 77 01 00 00 10)" : "");
            chip->has_command = false;
            continue;
        }
        begin_command(device, bytes[i]);
    }
}

static void show(struct jl_device *device, struct jl_picture *picture) {
    const struct chip *chip = chip_of(device);
    size_t row_bytes = 3 * (size_t)picture->width;
    if (chip->asleep || !chip->on) {
        if (chip->scanned.running && jl_sim_scanned_tell(device, SCANNED_SLEEPING)) {
            jl_sim_device_report(device, JL_SEVERITY_ERROR, JL_CODE_NOT_AWAKE,
                                 "pictures come, but the command port had no %s: the glass stays "
                                 "white",
                                 chip->asleep ? "sleep out (11)" : "display on (29)");
        }
        memset(picture->rgb, 0xFF, row_bytes * (size_t)picture->height);
        return;
    }
    jl_sim_scanned_show(device, picture);
    for (int y = 0; y < picture->height; y++) {
        uint8_t *row = picture->rgb + (size_t)y * row_bytes;
        if (y >= chip->lines) { /* no gate opens there */
            memset(row, 0xFF, row_bytes);
            continue;
        }
        for (size_t i = 0; chip->inverted && i < row_bytes; i++) {
            row[i] = (uint8_t)~row[i];
        }
    }
}

static const struct machine machine = {
    .fits = fits,
    .power_on = power_on,
    .reset = reset,
    .write = write,
    .show = show,
    .brightness = jl_sim_scanned_brightness,
    .why_dark = jl_sim_scanned_why_dark,
    .attach_rgb = jl_sim_scanned_attach,
    .take_line = jl_sim_scanned_take_line,
};

const struct jl_emulated_part jl_emulated_st7701 = {
    .name = "st7701",
    .machine = &machine,
    .state_bytes = sizeof(struct chip),
    .fixed_bytes = sizeof(struct scanned_wires),
    .serial_cycle_ps = 66000,
};
