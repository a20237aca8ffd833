/* ssd1351 driver (datasheet rev 1.5, command table 8-1). Arguments travel like data. */
#include "jadelamp/controllers/ssd1351.h"

#include "../core/lone.h"
#include "../core/orientation.h"
#include "ssd_oled.h"

/* A2h is sent although it should be 0: after reset it is 60h and shifts the picture. */
static const uint8_t JL_FLASH wake_steps[] = {
    JL_STEP_SEND(0xFD, 0x12), /* unlock, */
    JL_STEP_SEND(0xFD, 0xB1), /* and the protected commands too */
    JL_STEP_SEND(0xAE),
    JL_STEP_SEND(0xB3, 0xF1), /* clock */
    JL_STEP_SETUP,
    JL_STEP_SEND(0xA2, 0x00),             /* no offset */
    JL_STEP_SEND(0xB5, 0x00),             /* GPIO off */
    JL_STEP_SEND(0xAB, 0x01),             /* internal regulator */
    JL_STEP_SEND(0xB1, 0x32),             /* phases */
    JL_STEP_SEND(0xB4, 0xA0, 0xB5, 0x55), /* external VSL */
    JL_STEP_SEND(0xBB, 0x17),             /* precharge */
    JL_STEP_SEND(0xBE, 0x05),             /* VCOMH */
    JL_STEP_SEND(0xC7, 0x0F),             /* master current: full */
    JL_STEP_SEND(0xB6, 0x01),             /* second precharge */
    JL_STEP_CLEAR,
    JL_STEP_SEND(0xAF),
};

/* Bits of A0h: the order of the stream, columns, colours, COMs; the depth is in bits 7 and 6. */
static uint8_t *put_remap(uint8_t *out, const struct jl_panel *panel, uint8_t turn) {
    const struct jl_panel_config *config = jl_config_of(panel);
    unsigned axes = jl_axes_of_turn(turn) ^ jl_mirrors_of_module(config);
    unsigned remap = 0x20 | (jl_format_of(panel)->bits_per_pixel == 24 ? 0x80 : 0x40);
    remap |= axes & AXES_EXCHANGE ? 0x01 : 0;           /* down the columns first */
    remap |= axes & AXES_MIRROR_X ? 0x02 : 0;           /* column 0 at SEG127 */
    remap |= config->module & JL_MODULE_BGR ? 0 : 0x04; /* C-B-A: usual glass */
    remap |= axes & AXES_MIRROR_Y ? 0 : 0x10;           /* from the last COM: usual glass */
    return jl_ssd_put(out, 0xA0, (uint8_t)remap);
}

/* The green pixels are the most efficient ones: C8 80 C8 is white on the usual glass. */
static uint8_t *put_contrast(uint8_t *out, uint8_t contrast) {
    out[0] = 4;
    out[1] = 0xC1;
    out[2] = out[4] = contrast;
    out[3] = (uint8_t)(contrast * 16 / 25);
    return out + 5;
}

static const struct jl_ssd_part own = {
    .multiplex = 0xCA,
    .normal = 0xA6,
    .column_shift = 0,
    .write_opcode = 0x5C,
    .put_remap = put_remap,
    .put_contrast = put_contrast,
};

#include "ssd_oled_template.h"

const struct jl_controller jl_ssd1351 = {
    .name = "ssd1351",
    .format = &jl_rgb565,
    .ram_width = 128,
    .ram_height = 128,
    .buses = JL_SSD_BUSES | 1 << JL_BUS_8080_16,
    .default_contrast = 0xC8,
    .turns = JL_TURNS_ALL,
    .opcode_bytes = 1,
    .column_unit = 1,
    .reset_low_us = 2,
    .reset_recovery_us = 2,
    .window_price_px = 10,
    .layouts[JL_WIRES_SERIAL] = 1 << JL_LAYOUT_RGB565 | 1 << JL_LAYOUT_RGB666_LOW,
    .layouts[JL_WIRES_PARALLEL] = 1 << JL_LAYOUT_RGB565 | 1 << JL_LAYOUT_RGB666_LOW,
    .layouts[JL_WIRES_WORD] = 1 << JL_LAYOUT_RGB565_CPU,
    .serial_cycle_ns = 50,
    .parallel_cycle_ns = 300,
    JL_SSD_CONTROLLER,
    .next = jl_next_window,
};
