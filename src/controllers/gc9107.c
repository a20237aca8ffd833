/* gc9107 driver. The DCS commands are the standard's; the maker's are unpublished. */
#include "jadelamp/controllers/gc9107.h"

#include "dcs.h"

/*
 * FE and EF open the maker's registers: frame rate A8 and E8, voltages C6 and C7, gamma F0 and F1;
 * the meaning of the others is not published, so they stand as modules' makers give them.
 */
static const uint8_t JL_FLASH wake_steps[] = {
    JL_STEP_SEND(DCS_SOFT_RESET),
    JL_STEP_WAIT_MS(120),
    JL_STEP_SEND(0xFE),
    JL_STEP_SEND(0xEF),
    JL_STEP_SEND(0xB0, 0xC0),
    JL_STEP_SEND(0xB1, 0x80),
    JL_STEP_SEND(0xB2, 0x2F),
    JL_STEP_SEND(0xB3, 0x03),
    JL_STEP_SEND(0xB7, 0x01),
    JL_STEP_SEND(0xB6, 0x19),
    JL_STEP_SEND(0xAC, 0xC8),
    JL_STEP_SEND(0xAB, 0x0F),
    JL_STEP_SETUP,
    JL_STEP_SEND(0xB4, 0x04),
    JL_STEP_SEND(0xA8, 0x07),
    JL_STEP_SEND(0xB8, 0x08),
    JL_STEP_SEND(0xE7, 0x5A),
    JL_STEP_SEND(0xE8, 0x23),
    JL_STEP_SEND(0xE9, 0x47),
    JL_STEP_SEND(0xEA, 0x99),
    JL_STEP_SEND(0xC6, 0x30),
    JL_STEP_SEND(0xC7, 0x1F),
    JL_STEP_SEND(0xF0, 0x05, 0x1D, 0x51, 0x2F, 0x85, 0x2A, 0x11, 0x62, 0x00, 0x07, 0x07, 0x0F, 0x08,
                 0x1F), /* gamma */
    JL_STEP_SEND(0xF1, 0x2E, 0x41, 0x62, 0x56, 0xA5, 0x3A, 0x3F, 0x60, 0x0F, 0x07, 0x0A, 0x18, 0x18,
                 0x1D),
    JL_STEP_SEND(DCS_SET_TEAR_ON, 0x00),
    JL_STEP_SEND(DCS_EXIT_SLEEP_MODE),
    JL_STEP_WAIT_MS(120),
    JL_STEP_CLEAR,
    JL_STEP_SEND(DCS_SET_DISPLAY_ON),
    JL_STEP_WAIT_MS(20),
};

const struct jl_controller jl_gc9107 = {
    .name = "gc9107",
    .format = &jl_rgb565,
    .ram_width = 132,
    .ram_height = 162,
    .buses = 1 << JL_BUS_SPI | 1 << JL_BUS_SPI_3WIRE,
    .layouts[JL_WIRES_SERIAL] = DCS_BYTE_LAYOUTS,
    .serial_cycle_ns = 16,
    .setup = jl_dcs_setup,
    .setting = jl_dcs_setting,
    DCS_COMMON,
};
