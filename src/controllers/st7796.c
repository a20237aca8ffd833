/* st7796 driver: DCS commands; the maker's registers are open between F0 C3, F0 96 and F0 3C,
 * F0 69. */
#include "jadelamp/controllers/st7796.h"

#include "dcs.h"

/* Power, timing and gamma for the usual 3.5 and 4 inch glass (module maker's values). */
static const uint8_t JL_FLASH wake_steps[] = {
    JL_STEP_SEND(DCS_SOFT_RESET),
    JL_STEP_WAIT_MS(120),
    JL_STEP_SEND(DCS_EXIT_SLEEP_MODE),
    JL_STEP_WAIT_MS(120),
    JL_STEP_SETUP,
    JL_STEP_SEND(0xF0, 0xC3), /* opens them */
    JL_STEP_SEND(0xF0, 0x96),
    JL_STEP_SEND(0xB4, 0x01),             /* 1-dot inversion */
    JL_STEP_SEND(0xB6, 0x80, 0x02, 0x3B), /* display function: 480 lines */
    JL_STEP_SEND(0xE8, 0x40, 0x8A, 0x00, 0x00, 0x29, 0x19, 0xA5, 0x33), /* timing of outputs */
    JL_STEP_SEND(0xC1, 0x06),                                           /* power */
    JL_STEP_SEND(0xC2, 0xA7),
    JL_STEP_SEND(0xC5, 0x18), /* VCOM */
    JL_STEP_SEND(0xE0, 0xF0, 0x09, 0x0B, 0x06, 0x04, 0x15, 0x2F, 0x54, 0x42, 0x3C, 0x17, 0x14, 0x18,
                 0x1B), /* gamma */
    JL_STEP_SEND(0xE1, 0xE0, 0x09, 0x0B, 0x06, 0x04, 0x03, 0x2B, 0x43, 0x42, 0x3B, 0x16, 0x14, 0x17,
                 0x1B),
    JL_STEP_SEND(0xF0, 0x3C), /* and closes them */
    JL_STEP_SEND(0xF0, 0x69),
    JL_STEP_SEND(DCS_SET_TEAR_ON, 0x00),
    JL_STEP_CLEAR,
    JL_STEP_SEND(DCS_SET_DISPLAY_ON),
};

const struct jl_controller jl_st7796 = {
    .name = "st7796",
    .format = &jl_rgb565,
    .ram_width = 320,
    .ram_height = 480,
    .default_contrast = 255,
    .layouts[JL_WIRES_SERIAL] = DCS_BYTE_LAYOUTS,
    .serial_cycle_ns = 66, /* as its family: docs/architecture.md */
    .parallel_cycle_ns = 66,
    .setup = jl_dcs_setup_with_light,
    .setting = jl_dcs_setting_with_light,
    DCS_CONTROLLER,
};
