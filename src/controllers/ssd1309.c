/*
 * ssd1309 driver (command table 9-1): ssd1306's windows and switches, a lock, and a panel voltage
 * that always comes from outside.
 */
#include "jadelamp/controllers/ssd1309.h"

#include "mono_oled.h"

/*
 * Six NOPs fill the arguments of a command that a broken transfer left open (26h/27h have six);
 * then the unlock, since FD 16 would make the controller deaf to all else.
 */
static const uint8_t JL_FLASH wake_steps[] = {
    JL_STEP_SEND(0xE3, 0xE3, 0xE3, 0xE3, 0xE3, 0xE3, 0xFD, 0x12, /* unlock */
                 0xAE,                                           /* off while it is set up */
                 0x2E,        /* scroll off: the RAM must not be written while it runs */
                 0xD5, 0xA0,  /* oscillator and divider of the application note */
                 0xD3, 0x00,  /* no vertical offset */
                 0x40,        /* RAM row 0 on the first line */
                 0x20, 0x00,  /* horizontal addressing */
                 0xD9, 0x82,  /* precharge */
                 0xDB, 0x34), /* deselect level 0.78 VCC */
    JL_STEP_SETUP,
    JL_STEP_CLEAR,
    JL_STEP_SEND(0xAF),
};

const struct jl_controller jl_ssd1309 = {
    .name = "ssd1309",
    .ram_width = 128,
    .default_contrast = 0x7F,
    .reset_low_us = 3,
    .reset_recovery_us = 3,
    .window_price_px = 80,
    .serial_cycle_ns = 100,
    .parallel_cycle_ns = 300,
    .window = jl_mono_oled_window,
    .next = jl_next_window,
    .setup = jl_mono_oled_setup,
    MONO_OLED_CONTROLLER,
};
