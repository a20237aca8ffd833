/* ssd1315 driver: the commands of ssd1306; analogue settings are left at their reset values. */
#include "jadelamp/controllers/ssd1315.h"

#include "mono_oled.h"

/* Seven NOPs fill the arguments of a command that a broken transfer left open. */
static const uint8_t JL_FLASH wake_steps[] = {
    JL_STEP_SEND(0xE3, 0xE3, 0xE3, 0xE3, 0xE3, 0xE3, 0xE3, 0xAE, /* off while it is set up */
                 0x2E,        /* scroll off: the RAM must not be written while it runs */
                 0xD5, 0x80,  /* oscillator and divider */
                 0xD3, 0x00,  /* no vertical offset */
                 0x40,        /* RAM row 0 on the first line */
                 0x20, 0x00), /* horizontal addressing */
    JL_STEP_SETUP,
    JL_STEP_CLEAR,
    JL_STEP_SEND(0xAF),
};

const struct jl_controller jl_ssd1315 = {
    .name = "ssd1315",
    .ram_width = 128,
    .default_contrast = 0xCF,
    .reset_low_us = 3,
    .reset_recovery_us = 3,
    .window_price_px = 80,
    .serial_cycle_ns = 100,
    .parallel_cycle_ns = 300,
    .window = jl_mono_oled_window,
    .next = jl_next_window,
    .setup = jl_mono_oled_setup_with_pump,
    MONO_OLED_CONTROLLER,
};
