/* st7735 driver (datasheet V2.1; DCS commands in section 10.1). */
#include "jadelamp/controllers/st7735.h"

#include "dcs.h"

/* Frame rates, power and gamma for the usual 1.8 inch glass (module maker's values). */
static const uint8_t JL_FLASH wake_steps[] = {
    JL_STEP_SEND(DCS_SOFT_RESET),
    JL_STEP_WAIT_MS(150),
    JL_STEP_SEND(DCS_EXIT_SLEEP_MODE),
    JL_STEP_WAIT_MS(120),
    JL_STEP_SEND(0xB1, 0x01, 0x2C, 0x2D),                   /* frame rate: normal, */
    JL_STEP_SEND(0xB2, 0x01, 0x2C, 0x2D),                   /* idle, */
    JL_STEP_SEND(0xB3, 0x01, 0x2C, 0x2D, 0x01, 0x2C, 0x2D), /* partial */
    JL_STEP_SEND(0xB4, 0x07),                               /* no line inversion */
    JL_STEP_SEND(0xC0, 0xA2, 0x02, 0x84),                   /* power */
    JL_STEP_SEND(0xC1, 0xC5),
    JL_STEP_SEND(0xC2, 0x0A, 0x00),
    JL_STEP_SEND(0xC3, 0x8A, 0x2A),
    JL_STEP_SEND(0xC4, 0x8A, 0xEE),
    JL_STEP_SEND(0xC5, 0x0E), /* VCOM */
    JL_STEP_SETUP,
    JL_STEP_SEND(0xE0, 0x02, 0x1C, 0x07, 0x12, 0x37, 0x32, 0x29, 0x2D, 0x29, 0x25, 0x2B, 0x39, 0x00,
                 0x01, 0x03, 0x10), /* gamma */
    JL_STEP_SEND(0xE1, 0x03, 0x1D, 0x07, 0x06, 0x2E, 0x2C, 0x29, 0x2D, 0x2E, 0x2E, 0x37, 0x3F, 0x00,
                 0x00, 0x02, 0x10),
    JL_STEP_SEND(DCS_ENTER_NORMAL_MODE),
    JL_STEP_SEND(DCS_SET_TEAR_ON, 0x00),
    JL_STEP_CLEAR,
    JL_STEP_SEND(DCS_SET_DISPLAY_ON),
};

const struct jl_controller jl_st7735 = {
    .name = "st7735",
    .format = &jl_rgb565,
    .ram_width = 132,
    .ram_height = 162,
    .layouts[JL_WIRES_SERIAL] = DCS_BYTE_LAYOUTS,
    .serial_cycle_ns = 66,
    .parallel_cycle_ns = 66,
    .setup = jl_dcs_setup,
    .setting = jl_dcs_setting,
    DCS_CONTROLLER,
};

const struct jl_controller jl_st7735_128x160 = {
    .name = "st7735",
    .format = &jl_rgb565,
    .ram_width = 128,
    .ram_height = 160,
    .layouts[JL_WIRES_SERIAL] = DCS_BYTE_LAYOUTS,
    .serial_cycle_ns = 66,
    .parallel_cycle_ns = 66,
    .setup = jl_dcs_setup,
    .setting = jl_dcs_setting,
    DCS_CONTROLLER,
};

const struct jl_controller jl_st7735_132x132 = {
    .name = "st7735",
    .format = &jl_rgb565,
    .ram_width = 132,
    .ram_height = 132,
    .layouts[JL_WIRES_SERIAL] = DCS_BYTE_LAYOUTS,
    .serial_cycle_ns = 66,
    .parallel_cycle_ns = 66,
    .setup = jl_dcs_setup,
    .setting = jl_dcs_setting,
    DCS_CONTROLLER,
};
