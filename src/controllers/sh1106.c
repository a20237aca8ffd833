/*
 * sh1106 driver (command table): the switches of ssd1306, a RAM of 132 columns that is addressed
 * by pages only, and a DC-DC converter of its own. There are no commands 20h to 22h.
 */
#include "jadelamp/controllers/sh1106.h"

#include "../core/mem.h"
#include "mono_oled.h"
#include "page_window.h"

/* One NOP fills the argument of a command that broke off: none has more than one. */
static const uint8_t wake_steps[] = {
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

static size_t setup(const struct jl_panel *panel, uint8_t *out) {
    bool external = (panel->config->module & JL_MODULE_EXTERNAL_SUPPLY) != 0;
    const uint8_t converter[] = {JL_STEP_SEND(0xAD, external ? 0x8A : 0x8B)};
    size_t bytes = jl_mono_oled_setup(panel, out);
    memcpy(out + bytes, converter, sizeof converter);
    return bytes + sizeof converter;
}

static size_t window(const struct jl_panel *panel, const struct jl_stretch *stretch, uint8_t *out) {
    return jl_page_window(stretch->area, jl_mono_oled_first_column(panel), out);
}

const struct jl_controller jl_sh1106 = {
    .name = "sh1106",
    .ram_width = 132,
    .default_contrast = 0x80,
    .reset_low_us = 10,
    .reset_recovery_us = 2,
    .window_price_px =
        JL_WINDOW_A_LINE + 56, /* 7 bytes on I2C: address, control, B0 10 00, address, control */
    .serial_cycle_ns = 250,
    .parallel_cycle_ns = 300,
    .window = window,
    .next = jl_next_page,
    .setup = setup,
    MONO_OLED_CONTROLLER,
};
