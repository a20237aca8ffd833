/* st7565 driver. */
#include "jadelamp/controllers/st7565.h"

#include "lcd_pages.h"

static const uint8_t JL_FLASH wake_steps[] = {
    JL_STEP_SEND(0xE3,
                 0xEE, /* no operation, as the argument of what broke off; read-modify-write off */
                 0xAE, 0xA2, /* bias 1/9 */
                 0x40,       /* RAM row 0 on the first line */
                 0x25),      /* resistor ratio: times 5.5 */
    JL_STEP_SETUP,
    LCD_PAGES_POWER_STEPS,
    JL_STEP_CLEAR,
    JL_STEP_SEND(0xAF),
};

const struct jl_controller jl_st7565 = {
    .name = "st7565",
    .buses = 1 << JL_BUS_SPI | 1 << JL_BUS_8080_8 | 1 << JL_BUS_6800_8,
    .reset_low_us = 2,
    .reset_recovery_us = 2,
    .serial_cycle_ns = 50,    /* 20 MHz at 3.3 V */
    .parallel_cycle_ns = 240, /* at 3.3 V */
    LCD_PAGES_CONTROLLER,
};
