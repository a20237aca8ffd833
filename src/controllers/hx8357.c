/* hx8357 driver, letter D: DCS commands, and the maker's behind B9h with its three keys. */
#include "jadelamp/controllers/hx8357.h"

#include "dcs.h"

/* Power, timing and gamma for the usual 3.5 inch glass (module maker's values). */
static const uint8_t JL_FLASH wake_steps[] = {
    JL_STEP_SEND(DCS_SOFT_RESET),
    JL_STEP_WAIT_MS(120),
    JL_STEP_SEND(0xB9, 0xFF, 0x83, 0x57), /* opens the maker's registers, which takes a while */
    JL_STEP_WAIT_MS(300),
    JL_STEP_SEND(0xB3, 0x80, 0x00, 0x06, 0x06),                   /* pixels come over this bus */
    JL_STEP_SEND(0xB6, 0x25),                                     /* VCOM */
    JL_STEP_SEND(0xB0, 0x68),                                     /* oscillator */
    JL_STEP_SEND(0xCC, 0x05),                                     /* directions of the glass */
    JL_STEP_SEND(0xB1, 0x00, 0x15, 0x1C, 0x1C, 0x83, 0xAA),       /* power */
    JL_STEP_SEND(0xC0, 0x50, 0x50, 0x01, 0x3C, 0x1E, 0x08),       /* output amplifiers */
    JL_STEP_SEND(0xB4, 0x02, 0x40, 0x00, 0x2A, 0x2A, 0x0D, 0x78), /* timing of a line */
    JL_STEP_SEND(0xE0, 0x02, 0x0A, 0x11, 0x1D, 0x23, 0x35, 0x41, 0x4B, 0x4B, 0x42, 0x3A, 0x27, 0x1B,
                 0x08, 0x09, 0x03, 0x02, 0x0A, 0x11, 0x1D, 0x23, 0x35, 0x41, 0x4B, 0x4B, 0x42, 0x3A,
                 0x27, 0x1B, 0x08, 0x09, 0x03, 0x00, 0x01), /* gamma */
    JL_STEP_SETUP,
    JL_STEP_SEND(DCS_SET_TEAR_ON, 0x00),
    JL_STEP_SEND(DCS_EXIT_SLEEP_MODE),
    JL_STEP_WAIT_MS(150),
    JL_STEP_CLEAR,
    JL_STEP_SEND(DCS_SET_DISPLAY_ON),
    JL_STEP_WAIT_MS(50),
};

const struct jl_controller jl_hx8357 = {
    .name = "hx8357",
    .format = &jl_rgb565,
    .ram_width = 320,
    .ram_height = 480,
    .default_contrast = 255,
    .layouts[JL_WIRES_SERIAL] = DCS_BYTE_LAYOUTS,
    .serial_cycle_ns = 66, /* as its kind: docs/architecture.md */
    .parallel_cycle_ns = 66,
    .setup = jl_dcs_setup_with_light,
    .setting = jl_dcs_setting_with_light,
    DCS_CONTROLLER,
};
