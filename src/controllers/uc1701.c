/* uc1701 driver. */
#include "jadelamp/controllers/uc1701.h"

#include "lcd_pages.h"

static const uint8_t JL_FLASH wake_steps[] = {
    JL_STEP_SEND(0xE3, 0xE2), /* no operation, as the argument of what broke off; soft reset */
    JL_STEP_WAIT_MS(5),
    JL_STEP_SEND(0xEE,             /* read-modify-write off */
                 0xAE, 0xFA, 0x93, /* advanced control: temperature -0.11 %/C, wrapping off */
                 0xA2,             /* bias 1/9 */
                 0x40,             /* RAM row 0 on the first line */
                 0xF8, 0x00,       /* booster times 4 */
                 0x25),            /* resistor ratio: times 5.5 */
    JL_STEP_SETUP,
    LCD_PAGES_POWER_STEPS,
    JL_STEP_CLEAR,
    JL_STEP_SEND(0xAF),
};

const struct jl_controller jl_uc1701 = {
    .name = "uc1701",
    .buses = 1 << JL_BUS_SPI | 1 << JL_BUS_SPI_3WIRE | 1 << JL_BUS_8080_8 | 1 << JL_BUS_6800_8,
    .reset_low_us = 3,
    .reset_recovery_us = 5000,
    .serial_cycle_ns = 100,
    .parallel_cycle_ns = 150,
    LCD_PAGES_CONTROLLER,
};
