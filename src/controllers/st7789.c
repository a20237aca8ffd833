/* st7789 driver (datasheet V1.4; DCS commands in section 9.1). */
#include "jadelamp/controllers/st7789.h"

#include "dcs.h"

/* Porch, voltages and gamma for the usual 1.3 inch glass (module maker's values). */
static const uint8_t JL_FLASH wake_steps[] = {
    JL_STEP_SEND(DCS_SOFT_RESET),
    JL_STEP_WAIT_MS(150),
    JL_STEP_SEND(DCS_EXIT_SLEEP_MODE),
    JL_STEP_WAIT_MS(120),
    JL_STEP_SETUP,
    JL_STEP_SEND(0xB2, 0x0C, 0x0C, 0x00, 0x33, 0x33), /* porches of 12 lines */
    JL_STEP_SEND(0xB7, 0x35),                         /* gate voltages */
    JL_STEP_SEND(0xBB, 0x19),                         /* VCOM */
    JL_STEP_SEND(0xC0, 0x2C),
    JL_STEP_SEND(0xC2, 0x01),
    JL_STEP_SEND(0xC3, 0x12), /* VRH */
    JL_STEP_SEND(0xC4, 0x20), /* VDV */
    JL_STEP_SEND(0xC6, 0x0F), /* 60 Hz */
    JL_STEP_SEND(0xD0, 0xA4, 0xA1),
    JL_STEP_SEND(0xE0, 0xD0, 0x04, 0x0D, 0x11, 0x13, 0x2B, 0x3F, 0x54, 0x4C, 0x18, 0x0D, 0x0B, 0x1F,
                 0x23), /* gamma */
    JL_STEP_SEND(0xE1, 0xD0, 0x04, 0x0C, 0x11, 0x13, 0x2C, 0x3F, 0x44, 0x51, 0x2F, 0x1F, 0x1F, 0x20,
                 0x23),
    JL_STEP_SEND(DCS_ENTER_NORMAL_MODE),
    JL_STEP_SEND(DCS_SET_TEAR_ON, 0x00),
    JL_STEP_CLEAR,
    JL_STEP_SEND(DCS_SET_DISPLAY_ON),
};

const struct jl_controller jl_st7789 = {
    .name = "st7789",
    .format = &jl_rgb565,
    .ram_width = 240,
    .ram_height = 320,
    .default_contrast = 255,
    .layouts[JL_WIRES_SERIAL] = DCS_BYTE_LAYOUTS,
    .serial_cycle_ns = 66,
    .parallel_cycle_ns = 66,
    .setup = jl_dcs_setup_with_light,
    .setting = jl_dcs_setting_with_light,
    DCS_CONTROLLER,
};
