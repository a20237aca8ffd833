/*
 * st7701 driver. Commands are the standard's (DCS) in bank 0; FF 77 01 00 00 with 10, 11 or 13
 * opens the vendor's banks, and with 00 closes them (datasheet, command 2).
 */
#include "jadelamp/controllers/st7701.h"

#include "../core/lone.h"
#include "dcs.h"
#include "scanned.h"

enum { BANK = 0xFF, LINES = 0xC0 };

#define OPEN_BANK(bank) JL_STEP_SEND(BANK, 0x77, 0x01, 0x00, 0x00, bank)

/*
 * Bank 10: lines C0, porches C1, inversion C2, gamma B0 and B1. Bank 11: Vop B0, VCOM B1, VGH B2,
 * VGL B5, clamps and boosters, and E0 to ED the timings of the gates on the glass, which are the
 * glass maker's, as is EF in bank 13.
 */
static const uint8_t JL_FLASH wake_steps[] = {
    JL_STEP_SEND(DCS_SOFT_RESET),
    JL_STEP_WAIT_MS(120),
    OPEN_BANK(0x13),
    JL_STEP_SEND(0xEF, 0x08),
    OPEN_BANK(0x10),
    JL_STEP_SETUP, /* C0, while this bank is open */
    JL_STEP_SEND(0xC1, 0x0D, 0x02),
    JL_STEP_SEND(0xC2, 0x21, 0x08),
    JL_STEP_SEND(0xCD, 0x08),
    JL_STEP_SEND(0xB0, 0x00, 0x11, 0x18, 0x0E, 0x11, 0x06, 0x07, 0x08, 0x07, 0x22, 0x04, 0x12, 0x0F,
                 0xAA, 0x31, 0x18),
    JL_STEP_SEND(0xB1, 0x00, 0x11, 0x19, 0x0E, 0x12, 0x07, 0x08, 0x08, 0x08, 0x22, 0x04, 0x11, 0x11,
                 0xA9, 0x32, 0x18),
    OPEN_BANK(0x11),
    JL_STEP_SEND(0xB0, 0x60),
    JL_STEP_SEND(0xB1, 0x32),
    JL_STEP_SEND(0xB2, 0x07),
    JL_STEP_SEND(0xB3, 0x80),
    JL_STEP_SEND(0xB5, 0x49),
    JL_STEP_SEND(0xB7, 0x85),
    JL_STEP_SEND(0xB8, 0x21),
    JL_STEP_SEND(0xC1, 0x78),
    JL_STEP_SEND(0xC2, 0x78),
    JL_STEP_SEND(0xE0, 0x00, 0x1B, 0x02),
    JL_STEP_SEND(0xE1, 0x08, 0xA0, 0x00, 0x00, 0x07, 0xA0, 0x00, 0x00, 0x00, 0x44, 0x44),
    JL_STEP_SEND(0xE2, 0x11, 0x11, 0x44, 0x44, 0xED, 0xA0, 0x00, 0x00, 0xEC, 0xA0, 0x00, 0x00),
    JL_STEP_SEND(0xE3, 0x00, 0x00, 0x11, 0x11),
    JL_STEP_SEND(0xE4, 0x44, 0x44),
    JL_STEP_SEND(0xE5, 0x0A, 0xE9, 0xD8, 0xA0, 0x0C, 0xEB, 0xD8, 0xA0, 0x0E, 0xED, 0xD8, 0xA0, 0x10,
                 0xEF, 0xD8, 0xA0),
    JL_STEP_SEND(0xE6, 0x00, 0x00, 0x11, 0x11),
    JL_STEP_SEND(0xE7, 0x44, 0x44),
    JL_STEP_SEND(0xE8, 0x09, 0xE8, 0xD8, 0xA0, 0x0B, 0xEA, 0xD8, 0xA0, 0x0D, 0xEC, 0xD8, 0xA0, 0x0F,
                 0xEE, 0xD8, 0xA0),
    JL_STEP_SEND(0xEB, 0x02, 0x00, 0xE4, 0xE4, 0x88, 0x00, 0x40),
    JL_STEP_SEND(0xEC, 0x3C, 0x00),
    JL_STEP_SEND(0xED, 0xAB, 0x89, 0x76, 0x54, 0x02, 0xFF, 0xFF, 0xFF, 0xFF, 0xFF, 0xFF, 0x20, 0x45,
                 0x67, 0x98, 0xBA),
    OPEN_BANK(0x00),
    JL_STEP_SEND(DCS_SET_PIXEL_FORMAT, 0x66), /* 18 lines */
    JL_STEP_SEND(DCS_EXIT_SLEEP_MODE),
    JL_STEP_WAIT_MS(120),
    JL_STEP_SEND(DCS_SET_DISPLAY_ON),
};

/* Lines in eights, less one; up to seven more in twos by bit 7 (LDE) and the second byte. */
static size_t setup(const struct jl_panel *panel, uint8_t *out) {
    uint16_t height = (uint16_t)jl_config_of(panel)->height;
    uint16_t eights = height / 8u, rest = height % 8u;
    out[0] = 3;
    out[1] = LINES;
    out[2] = (uint8_t)((eights - 1u) | (rest ? 0x80u : 0));
    out[3] = (uint8_t)(rest / 2u);
    return 4;
}

const struct jl_controller jl_st7701 = {
    .name = "st7701",
    .format = &jl_rgb565_cpu,
    .ram_width = 480, /* it has none: what it drives */
    .ram_height = 864,
    .buses = 1 << JL_BUS_SPI_3WIRE,
    .turns = JL_TURNS_NONE,
    .opcode_bytes = 1,
    .column_unit = 1,
    .reset_low_us = 10,
    .reset_recovery_us = 5000,
    .layouts[JL_WIRES_SERIAL] = SCANNED_LAYOUTS,
    .serial_cycle_ns = 66,
    .wake_steps = wake_steps,
    .wake_steps_bytes = sizeof wake_steps,
    .setup = setup,
    .setting = jl_dcs_setting,
    .next = jl_scanned_next,
};
