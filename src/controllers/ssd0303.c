/*
 * ssd0303 driver (command table): 132 columns addressed by pages only, a DC-DC converter of its
 * own, a mode with colours by area. No windows, no scrolling, no read-modify-write.
 */
#include "jadelamp/controllers/ssd0303.h"

#include "page_oled.h"

/* One NOP fills the argument of a command that broke off: none has more than one. */
static const uint8_t JL_FLASH wake_steps[] = {
    JL_STEP_SEND(0xE3, 0xAE,  /* off: the converter may only be set then */
                 0xD5, 0x80,  /* oscillator and divider */
                 0xD3, 0x00,  /* no vertical offset */
                 0x40,        /* RAM row 0 on the first line */
                 0xD8, 0x00,  /* one colour, normal power */
                 0xD9, 0x22,  /* precharge, the reset value */
                 0xDB, 0x35), /* VCOM deselect level */
    JL_STEP_SETUP,
    JL_STEP_CLEAR,
    JL_STEP_SEND(0xAF),
};

const struct jl_controller jl_ssd0303 = {
    .name = "ssd0303",
    .reset_low_us = 3,
    .reset_recovery_us = 3,
    PAGE_OLED_CONTROLLER,
};
