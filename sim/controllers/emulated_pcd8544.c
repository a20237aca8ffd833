/*
 * Emulated pcd8544 (datasheet sections 7 and 8). RAM of 84 x 6 bytes; the address counts along x
 * and then to the next bank, or down the banks first (V = 1); function set 20h..27h always chooses
 * the basic or the extended instructions.
 *
 * Taken where the datasheet leaves room: the usual glass looks right at 6.9 V; a pulse on the reset
 * pin is needed after power-on ("may be damaged" without): until then registers are noise and
 * the glass is dark. X past 83 and Y past 5 are reported and ignored.
 */
#include <string.h>

#include "../device.h"
#include "jadelamp/sim/emulators.h"
#include "lcd_drive.h"

enum { COLUMNS = 84, BANKS = 6, ROWS = 48, RIGHT_MV = 6900 };

enum mode { BLANK = 0, ALL_ON = 1, NORMAL = 4, INVERSE = 5 }; /* bits D and E of 08h */

struct pcd8544 {
    uint8_t ram[BANKS][COLUMNS];
    int x, y;
    bool power_down, vertical, extended;
    uint8_t mode, vop, bias, temperature;
    bool was_reset, in_reset, reset_reported, power_reported;
    uint64_t reset_edge_ps;
};

static struct pcd8544 *chip_of(struct jl_device *device) {
    return device->state;
}

static bool fits(const struct jl_emulated_part *part, const struct jl_glass *glass) {
    (void)part;
    return glass->column_offset + glass->width <= COLUMNS && glass->height <= ROWS;
}

static void power_on(struct jl_device *device) {
    struct pcd8544 *chip = chip_of(device);
    jl_sim_device_noise(device, &chip->ram[0][0], sizeof chip->ram);
    chip->power_down = true;
}

/* Section 8.1: power down, basic set, horizontal, blank, address 0, Vop 0. RAM undefined. */
static void reset(struct jl_device *device, bool low) {
    struct pcd8544 *chip = chip_of(device);
    uint64_t now = jl_board_now_ps(device->board);
    if (!low && now - chip->reset_edge_ps < 100000) {
        jl_sim_device_report(device, JL_SEVERITY_WARNING, JL_CODE_RESET_TOO_SHORT,
                             "reset was low for %llu ns, at least 100 ns are needed",
                             (unsigned long long)((now - chip->reset_edge_ps) / 1000));
    }
    struct pcd8544 fresh = {.power_down = true, .was_reset = true, .in_reset = low};
    memcpy(fresh.ram, chip->ram, sizeof fresh.ram);
    fresh.reset_edge_ps = now;
    *chip = fresh;
}

static int drive_mv(const struct pcd8544 *chip) {
    return chip->vop ? 3060 + 60 * chip->vop : 0; /* section 8.9: Vop 0 stops the charge pump */
}

static void take_data(struct jl_device *device, uint8_t byte) {
    struct pcd8544 *chip = chip_of(device);
    jl_sim_stored(device, 1, chip->ram[chip->y][chip->x] != byte);
    chip->ram[chip->y][chip->x] = byte;
    if (chip->vertical) {
        chip->y = (chip->y + 1) % BANKS;
        chip->x = (chip->x + (chip->y == 0)) % COLUMNS;
    } else {
        chip->x = (chip->x + 1) % COLUMNS;
        chip->y = (chip->y + (chip->x == 0)) % BANKS;
    }
}

static bool run_extended(struct jl_device *device, uint8_t byte) {
    struct pcd8544 *chip = chip_of(device);
    if (byte & 0x80) {
        chip->vop = byte & 0x7F;
        if (lcd_drive_of(drive_mv(chip), RIGHT_MV) == LCD_TOO_HIGH) {
            jl_sim_device_report(
                device, JL_SEVERITY_WARNING, JL_CODE_CONTRAST,
                "Vop is set to %d.%02d V, the glass wants about 6.9 V: all dots turn "
                "dark (was 0x%02X meant as an address? send 20 before it)",
                drive_mv(chip) / 1000, drive_mv(chip) % 1000 / 10, byte);
        }
    } else if ((byte & 0xF8) == 0x10) {
        chip->bias = byte & 7;
    } else if ((byte & 0xFC) == 0x04) {
        chip->temperature = byte & 3;
    } else {
        return false;
    }
    return true;
}

static bool run_basic(struct jl_device *device, uint8_t byte) {
    struct pcd8544 *chip = chip_of(device);
    if (byte & 0x80) {
        int x = byte & 0x7F;
        if (x >= COLUMNS) {
            jl_sim_device_report(device, JL_SEVERITY_ERROR, JL_CODE_ARGUMENT_VALUE,
                                 "command 0x%02X: x %d, expected 0..83", byte, x);
        } else {
            chip->x = x;
        }
    } else if ((byte & 0xF8) == 0x40) {
        int y = byte & 7;
        if (y >= BANKS) {
            jl_sim_device_report(device, JL_SEVERITY_ERROR, JL_CODE_ARGUMENT_VALUE,
                                 "command 0x%02X: bank %d, expected 0..5", byte, y);
        } else {
            chip->y = y;
        }
    } else if ((byte & 0xFA) == 0x08) {
        chip->mode = byte & 5;
    } else {
        return false;
    }
    return true;
}

static void take_command(struct jl_device *device, uint8_t byte) {
    struct pcd8544 *chip = chip_of(device);
    bool known = true;
    if ((byte & 0xF8) == 0x20) {
        chip->power_down = (byte & 4) != 0;
        chip->vertical = (byte & 2) != 0;
        chip->extended = byte & 1;
    } else if (byte != 0) { /* 0 is no operation */
        known = chip->extended ? run_extended(device, byte) : run_basic(device, byte);
    }
    if (!known) {
        jl_sim_device_report(device, JL_SEVERITY_ERROR, JL_CODE_UNKNOWN_COMMAND,
                             "unknown command 0x%02X in the %s set (%s)", byte,
                             chip->extended ? "extended" : "basic",
                             chip->extended ? "20 leaves it" : "21 opens the extended one");
    }
}

static void write(struct jl_device *device, const uint8_t *bytes, size_t count, bool data) {
    struct pcd8544 *chip = chip_of(device);
    if (chip->in_reset && !chip->reset_reported) {
        chip->reset_reported = true;
        jl_sim_device_report(device, JL_SEVERITY_ERROR, JL_CODE_RESET_HELD,
                             "bytes arrive while the reset pin is low");
    }
    if (!chip->was_reset && !chip->power_reported) {
        chip->power_reported = true;
        jl_sim_device_report(
            device, JL_SEVERITY_ERROR, JL_CODE_RESET_MISSING,
            "never reset since power-on: the registers hold noise, and the part may be "
            "damaged; pulse the reset pin first");
    }
    for (size_t i = 0; i < count && !chip->in_reset; i++) {
        device->at = i;
        if (data) {
            take_data(device, bytes[i]);
        } else {
            take_command(device, bytes[i]);
        }
    }
}

static void show(struct jl_device *device, struct jl_picture *picture) {
    const struct pcd8544 *chip = chip_of(device);
    const struct jl_glass *glass = &device->glass;
    bool all = chip->mode == ALL_ON || lcd_drive_of(drive_mv(chip), RIGHT_MV) == LCD_TOO_HIGH;
    for (int y = 0; y < glass->height; y++) {
        for (int x = 0; x < glass->width; x++) {
            int column = glass->column_offset + (glass->mirrored_x ? glass->width - 1 - x : x);
            int row = glass->mirrored_y ? glass->height - 1 - y : y;
            bool bit = chip->ram[row / 8][column] >> (row % 8) & 1;
            if (all || bit != (chip->mode == INVERSE)) {
                memset(jl_picture_at(picture, x, y), 255, 3);
            }
        }
    }
}

static uint8_t brightness(struct jl_device *device) {
    return lcd_darkness(drive_mv(chip_of(device)), RIGHT_MV);
}

static const char *why_dark(struct jl_device *device) {
    const struct pcd8544 *chip = chip_of(device);
    if (chip->in_reset) {
        return "the controller is held in reset";
    }
    if (!chip->was_reset) {
        return "the controller was never reset: pulse the reset pin after power-on";
    }
    if (chip->power_down) {
        return "the controller is powered down (bit 2 of 20..27): send 20";
    }
    if (chip->mode == BLANK) {
        return "the display is blank: send 0C (normal) at the end of the wake-up sequence";
    }
    if (lcd_drive_of(drive_mv(chip), RIGHT_MV) == LCD_TOO_LOW) {
        return "Vop is too low for the glass: send 21, then C0 (6.9 V), then 20";
    }
    return NULL;
}

static const struct machine machine = {
    .fits = fits,
    .power_on = power_on,
    .reset = reset,
    .write = write,
    .show = show,
    .brightness = brightness,
    .why_dark = why_dark,
};

const struct jl_emulated_part jl_emulated_pcd8544 = {
    .name = "pcd8544",
    .commands = &jl_sim_pcd8544_commands,
    .machine = &machine,
    .state_bytes = sizeof(struct pcd8544),
    .serial_cycle_ps = 250000,
};
