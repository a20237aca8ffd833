/* ssd1331 driver (datasheet rev 1.2, command table 8-1). Arguments travel like opcodes. */
#include "jadelamp/controllers/ssd1331.h"

#include "../core/lone.h"
#include "../core/orientation.h"
#include "ssd_oled.h"

/* A4 (normal display) first: it fills the arguments of a command that broke off. */
static const uint8_t JL_FLASH wake_steps[] = {
    JL_STEP_SEND(0xA4, 0xA4, 0xA4, 0xAE),
    JL_STEP_SETUP,
    JL_STEP_SEND(0xA2, 0x00,                         /* no offset */
                 0xAD, 0x8E,                         /* external VCC: must be sent */
                 0xB0, 0x0B,                         /* no power save */
                 0xB1, 0x31,                         /* phases */
                 0xB3, 0xF0,                         /* clock */
                 0x8A, 0x64,                         /* precharge speeds */
                 0x8B, 0x78, 0x8C, 0x64, 0xBB, 0x3A, /* precharge level */
                 0xBE, 0x3E,                         /* VCOMH */
                 0x87, 0x06),                        /* master current */
    JL_STEP_CLEAR,
    JL_STEP_SEND(0xAF),
};

/* Bits of A0h: the order of the stream, columns, colours, COMs; the depth is in bits 7 and 6. */
static uint8_t *put_remap(uint8_t *out, const struct jl_panel *panel, uint8_t turn) {
    const struct jl_panel_config *config = jl_config_of(panel);
    unsigned axes = jl_axes_of_turn(turn) ^ jl_mirrors_of_module(config);
    unsigned remap = 0x20 | (jl_format_of(panel)->bits_per_pixel == 8 ? 0x00 : 0x40);
    remap |= axes & AXES_EXCHANGE ? 0x01 : 0;           /* down the columns first */
    remap |= axes & AXES_MIRROR_X ? 0 : 0x02;           /* column 0 at SEG95: usual glass */
    remap |= config->module & JL_MODULE_BGR ? 0x04 : 0; /* usual glass: A-B-C */
    remap |= axes & AXES_MIRROR_Y ? 0 : 0x10;           /* from the last COM: usual glass */
    return jl_ssd_put(out, 0xA0, (uint8_t)remap);
}

/* 91 50 7D is white on the usual glass. */
static uint8_t *put_contrast(uint8_t *out, uint8_t contrast) {
    out[0] = 6;
    out[1] = 0x81;
    out[2] = contrast;
    out[3] = 0x82;
    out[4] = (uint8_t)(contrast * 0x50 / 0x91);
    out[5] = 0x83;
    out[6] = (uint8_t)(contrast * 0x7D / 0x91);
    return out + 7;
}

static const struct jl_ssd_part own = {
    .multiplex = 0xA8,
    .normal = 0xA4,
    .column_shift = 0,
    .put_remap = put_remap,
    .put_contrast = put_contrast,
};

#include "ssd_oled_template.h"

const struct jl_controller jl_ssd1331 = {
    .name = "ssd1331",
    .format = &jl_rgb565,
    .ram_width = 96,
    .ram_height = 64,
    .buses = JL_SSD_BUSES | 1 << JL_BUS_8080_16,
    .default_contrast = 0x91,
    .turns = JL_TURNS_ALL,
    .column_unit = 1,
    .reset_low_us = 3,
    .reset_recovery_us = 3,
    .window_price_px = 8,
    .layouts[JL_WIRES_SERIAL] = 1 << JL_LAYOUT_RGB565 | 1 << JL_LAYOUT_RGB332,
    .layouts[JL_WIRES_PARALLEL] = 1 << JL_LAYOUT_RGB565 | 1 << JL_LAYOUT_RGB332,
    .layouts[JL_WIRES_WORD] = 1 << JL_LAYOUT_RGB565_CPU,
    .serial_cycle_ns = 150,
    .parallel_cycle_ns = 130,
    JL_SSD_CONTROLLER,
    .next = jl_next_window,
};
