/*
 * ssd1305 driver (command table 9-1): ssd1306's windows on a RAM of 132 columns. The usual glass
 * hangs on SEG0 to SEG127, which the remapped columns 4 to 131 reach.
 */
#include "jadelamp/controllers/ssd1305.h"

#include "mono_oled.h"

/* NOPs as for ssd1306: 29h/2Ah have five arguments. */
static const uint8_t JL_FLASH wake_steps[] = {
    JL_STEP_SEND(0xE3, 0xE3, 0xE3, 0xE3, 0xE3, 0xE3, 0xAE, 0x2E, /* scroll off */
                 0xD5, 0x80,                                     /* oscillator 8, divide by 1 */
                 0xD3, 0x00,                                     /* no vertical offset */
                 0x40,                                           /* RAM row 0 on the first line */
                 0xAD, 0x8E,                   /* master configuration: external VCC */
                 0xD8, 0x00,                   /* one colour, normal power */
                 0x20, 0x00,                   /* horizontal addressing */
                 0x91, 0x3F, 0x3F, 0x3F, 0x3F, /* drive pulse widths of all banks */
                 0xD9, 0xD2,                   /* precharge */
                 0xDB, 0x34),                  /* deselect level */
    JL_STEP_SETUP,
    JL_STEP_CLEAR,
    JL_STEP_SEND(0xAF),
};

const struct jl_controller jl_ssd1305 = {
    .name = "ssd1305",
    .ram_width = 132,
    .default_contrast = 0x80,
    .reset_low_us = 3,
    .reset_recovery_us = 3,
    .window_price_px = 80,
    .serial_cycle_ns = 250, /* 4 MHz: table of 4-wire serial timing */
    .parallel_cycle_ns = 300,
    .window = jl_mono_oled_window,
    .next = jl_next_window,
    .setup = jl_mono_oled_setup,
    MONO_OLED_CONTROLLER,
};
