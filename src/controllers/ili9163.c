/* ili9163 driver: DCS commands, and the maker's from B1h on, which no lock protects. */
#include "jadelamp/controllers/ili9163.h"

#include "dcs.h"

/* Power, frame rate and gamma for the usual 1.44 and 1.8 inch glass (module maker's values). */
static const uint8_t JL_FLASH wake_steps[] = {
    JL_STEP_SEND(DCS_SOFT_RESET),
    JL_STEP_WAIT_MS(120),
    JL_STEP_SEND(DCS_EXIT_SLEEP_MODE),
    JL_STEP_WAIT_MS(120),
    JL_STEP_SEND(DCS_SET_GAMMA_CURVE, 0x04), /* the third */
    JL_STEP_SEND(0xB1, 0x0E, 0x14),          /* frame rate: 18 clocks a line, 20 lines more */
    JL_STEP_SEND(0xB4, 0x07),                /* no line inversion */
    JL_STEP_SEND(0xC0, 0x0A, 0x02),          /* power */
    JL_STEP_SEND(0xC1, 0x02),
    JL_STEP_SEND(0xC5, 0x50, 0x5B), /* VCOM high and low */
    JL_STEP_SEND(0xC7, 0x40),       /* and its offset: none */
    JL_STEP_SEND(0xF2, 0x01),       /* gamma by registers */
    JL_STEP_SEND(0xE0, 0x3F, 0x25, 0x1C, 0x1E, 0x20, 0x12, 0x2A, 0x90, 0x24, 0x11, 0x00, 0x00, 0x00,
                 0x00, 0x00),
    JL_STEP_SEND(0xE1, 0x20, 0x20, 0x20, 0x20, 0x05, 0x00, 0x15, 0xA7, 0x3D, 0x18, 0x25, 0x2A, 0x2B,
                 0x2B, 0x3A),
    JL_STEP_SETUP,
    JL_STEP_SEND(DCS_ENTER_NORMAL_MODE),
    JL_STEP_SEND(DCS_SET_TEAR_ON, 0x00),
    JL_STEP_CLEAR,
    JL_STEP_SEND(DCS_SET_DISPLAY_ON),
};

#define ILI9163(WIDTH, HEIGHT)                                                                     \
    {                                                                                              \
        .name = "ili9163", .format = &jl_rgb565, .ram_width = (WIDTH), .ram_height = (HEIGHT),     \
        .layouts[JL_WIRES_SERIAL] = DCS_BYTE_LAYOUTS, .serial_cycle_ns = 66,                       \
        .parallel_cycle_ns = 100, .setup = jl_dcs_setup, .setting = jl_dcs_setting, DCS_CONTROLLER \
    }

const struct jl_controller jl_ili9163 = ILI9163(132, 162);
const struct jl_controller jl_ili9163_128x160 = ILI9163(128, 160);
