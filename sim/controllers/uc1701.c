/* Emulated uc1701: advanced control, and a soft reset that takes time. */
#include "lcd_pages.h"

static const struct lcd_pages_command commands[] = {
    {0xAC, 0xAD, 0, "static indicator"},
    {0xFA, 0xFA, 1, "advanced control"},
    {0, 0, 0, NULL},
};

static const struct lcd_pages_part part = {
    .commands = commands,
    .reset_us = 3,
    .recovery_us = 5000,
    .soft_reset_us = 1000,
};

const struct jl_device_ops jl_emulated_uc1701 = LCD_PAGES_OPS("uc1701", part, 100000, 150000);
