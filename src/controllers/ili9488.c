/* ili9488 driver (datasheet V1.0; DCS commands in section 5.2). */
#include "jadelamp/controllers/ili9488.h"

#include "dcs.h"

/* Power, timing and gamma for the usual 3.5 inch glass (module maker's values). */
static const uint8_t JL_FLASH wake_steps[] = {
    JL_STEP_SEND(DCS_SOFT_RESET),
    JL_STEP_WAIT_MS(120),
    JL_STEP_SEND(0xE0, 0x00, 0x03, 0x09, 0x08, 0x16, 0x0A, 0x3F, 0x78, 0x4C, 0x09, 0x0A, 0x08, 0x16,
                 0x1A, 0x0F), /* gamma */
    JL_STEP_SEND(0xE1, 0x00, 0x16, 0x19, 0x03, 0x0F, 0x05, 0x32, 0x45, 0x46, 0x04, 0x0E, 0x0D, 0x35,
                 0x37, 0x0F),
    JL_STEP_SEND(0xC0, 0x17, 0x15), /* power */
    JL_STEP_SEND(0xC1, 0x41),
    JL_STEP_SEND(0xC5, 0x00, 0x12, 0x80), /* VCOM */
    JL_STEP_SETUP,
    JL_STEP_SEND(0xB0, 0x80),             /* SDO unused: it would hold a shared MISO */
    JL_STEP_SEND(0xB1, 0xA0),             /* 60 Hz */
    JL_STEP_SEND(0xB4, 0x02),             /* 2-dot inversion */
    JL_STEP_SEND(0xB6, 0x02, 0x02, 0x3B), /* display function: 480 lines */
    JL_STEP_SEND(0xB7, 0xC6),
    JL_STEP_SEND(0xF7, 0xA9, 0x51, 0x2C, 0x82),
    JL_STEP_SEND(DCS_EXIT_SLEEP_MODE),
    JL_STEP_WAIT_MS(120),
    JL_STEP_SEND(DCS_SET_TEAR_ON, 0x00),
    JL_STEP_CLEAR,
    JL_STEP_SEND(DCS_SET_DISPLAY_ON),
};

const struct jl_controller jl_ili9488 = {
    .name = "ili9488",
    .format = &jl_rgb666,
    .ram_width = 320,
    .ram_height = 480,
    .default_contrast = 255,
    .layouts[JL_WIRES_SERIAL] = 1 << JL_LAYOUT_RGB666,
    .serial_cycle_ns = 66, /* the slower of 15 and 20 MHz that are given */
    .parallel_cycle_ns = 30,
    .setup = jl_dcs_setup_with_light,
    .setting = jl_dcs_setting_with_light,
    DCS_CONTROLLER,
};
