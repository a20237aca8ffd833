/* ili9341 driver (datasheet V1.11; DCS commands in section 8.2). */
#include "jadelamp/controllers/ili9341.h"

#include "dcs.h"

/* Power, timing and gamma for the usual 2.4 to 3.2 inch glass (module maker's values). */
static const uint8_t JL_FLASH wake_steps[] = {
    JL_STEP_SEND(DCS_SOFT_RESET),
    JL_STEP_WAIT_MS(120),
    JL_STEP_SEND(0xEF, 0x03, 0x80, 0x02),
    JL_STEP_SEND(0xCF, 0x00, 0xC1, 0x30),       /* power control B */
    JL_STEP_SEND(0xED, 0x64, 0x03, 0x12, 0x81), /* power-on sequence */
    JL_STEP_SEND(0xE8, 0x85, 0x00, 0x78),       /* driver timing A */
    JL_STEP_SEND(0xCB, 0x39, 0x2C, 0x00, 0x34, 0x02),
    JL_STEP_SEND(0xF7, 0x20), /* pump ratio */
    JL_STEP_SEND(0xEA, 0x00, 0x00),
    JL_STEP_SEND(0xC0, 0x23),       /* GVDD */
    JL_STEP_SEND(0xC1, 0x10),       /* step-up */
    JL_STEP_SEND(0xC5, 0x3E, 0x28), /* VCOM */
    JL_STEP_SEND(0xC7, 0x86),
    JL_STEP_SETUP,
    JL_STEP_SEND(0xB1, 0x00, 0x18),       /* 79 Hz */
    JL_STEP_SEND(0xB6, 0x08, 0x82, 0x27), /* display function: 320 lines */
    JL_STEP_SEND(0xF2, 0x00),             /* no 3-gamma */
    JL_STEP_SEND(DCS_SET_GAMMA_CURVE, 0x01),
    JL_STEP_SEND(0xE0, 0x0F, 0x31, 0x2B, 0x0C, 0x0E, 0x08, 0x4E, 0xF1, 0x37, 0x07, 0x10, 0x03, 0x0E,
                 0x09, 0x00), /* gamma */
    JL_STEP_SEND(0xE1, 0x00, 0x0E, 0x14, 0x03, 0x11, 0x07, 0x31, 0xC1, 0x48, 0x08, 0x0F, 0x0C, 0x31,
                 0x36, 0x0F),
    JL_STEP_SEND(DCS_EXIT_SLEEP_MODE),
    JL_STEP_WAIT_MS(120),
    JL_STEP_SEND(DCS_SET_TEAR_ON, 0x00),
    JL_STEP_CLEAR,
    JL_STEP_SEND(DCS_SET_DISPLAY_ON),
};

const struct jl_controller jl_ili9341 = {
    .name = "ili9341",
    .format = &jl_rgb565,
    .ram_width = 240,
    .ram_height = 320,
    .default_contrast = 255,
    .layouts[JL_WIRES_SERIAL] = DCS_BYTE_LAYOUTS,
    .serial_cycle_ns = 100,
    .parallel_cycle_ns = 66,
    .setup = jl_dcs_setup_with_light,
    .setting = jl_dcs_setting_with_light,
    DCS_CONTROLLER,
};
