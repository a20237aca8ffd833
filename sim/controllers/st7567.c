/* Emulated st7567: no static indicator. */
#include "lcd_pages.h"

static const struct lcd_pages_command commands[] = {
    {0xFE, 0xFE, 0, "test mode"},
    {0, 0, 0, NULL},
};

static const struct lcd_pages_part part = {
    .commands = commands,
    .reset_us = 5,
    .recovery_us = 5,
};

const struct jl_device_ops jl_emulated_st7567 = LCD_PAGES_OPS("st7567", part, 50000, 240000);
