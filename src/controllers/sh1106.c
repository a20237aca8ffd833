/*
 * sh1106 driver (command table): the switches of ssd1306, a RAM of 132 columns that is addressed
 * by pages only, and a DC-DC converter of its own. There are no commands 20h to 22h.
 */
#include "jadelamp/controllers/sh1106.h"

#include "page_oled.h"

/* One NOP fills the argument of a command that broke off: none has more than one. */
static const uint8_t JL_FLASH wake_steps[] = {
    JL_STEP_SEND(0xE3, 0xEE,  /* leave read-modify-write: columns count again */
                 0xAE,        /* off: the converter may only be set then */
                 0xD5, 0x80,  /* oscillator and divider */
                 0xD3, 0x00,  /* no vertical offset */
                 0x40,        /* RAM row 0 on the first line */
                 0x32,        /* converter 8.0 V, the reset value */
                 0xD9, 0x22,  /* precharge, the reset value */
                 0xDB, 0x35), /* VCOM deselect level, the reset value */
    JL_STEP_SETUP,
    JL_STEP_CLEAR,
    JL_STEP_SEND(0xAF),
};

const struct jl_controller jl_sh1106 = {
    .name = "sh1106",
    .reset_low_us = 10,
    .reset_recovery_us = 2,
    PAGE_OLED_CONTROLLER,
};
