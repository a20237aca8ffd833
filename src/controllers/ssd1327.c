/* ssd1327 driver (datasheet rev 1.1, command table 8-1). Arguments travel like opcodes. */
#include "jadelamp/controllers/ssd1327.h"

#include "../core/lone.h"
#include "../core/orientation.h"
#include "ssd_oled.h"

/*
 * A4 (normal display) first: it fills the arguments of a command that broke off, since many
 * I2C modules have no reset pin.
 */
static const uint8_t JL_FLASH wake_steps[] = {
    JL_STEP_SEND(0xA4, 0xA4, 0xA4, 0xFD, 0x12, /* unlock */
                 0xAE),
    JL_STEP_SETUP,
    JL_STEP_SEND(0xA2, 0x00,  /* no offset */
                 0xB1, 0xF1,  /* phases */
                 0xB3, 0x00,  /* clock */
                 0xAB, 0x01,  /* internal regulator */
                 0xB6, 0x0F,  /* second precharge */
                 0xBE, 0x0F,  /* VCOMH */
                 0xBC, 0x08,  /* precharge voltage */
                 0xD5, 0x62), /* second precharge on */
    JL_STEP_CLEAR,
    JL_STEP_SEND(0xAF),
};

/*
 * Bits of A0h. The columns' remap exchanges pairs of pixels only; the nibbles' remap must be
 * the other way round, so that the left pixel of the picture is always the high nibble.
 */
static uint8_t *put_remap(uint8_t *out, const struct jl_panel *panel, uint8_t turn) {
    unsigned mirrors = jl_mirrors_of_turn(turn) ^ jl_mirrors_of_module(jl_config_of(panel));
    unsigned remap = 0x40;                          /* odd and even COMs on either side */
    remap |= mirrors & AXES_MIRROR_X ? 0x02 : 0x01; /* usual glass: column 0 at SEG127 */
    remap |= mirrors & AXES_MIRROR_Y ? 0 : 0x10;    /* usual glass: from the last COM */
    return jl_ssd_put(out, 0xA0, (uint8_t)remap);
}

static uint8_t *put_contrast(uint8_t *out, uint8_t contrast) {
    return jl_ssd_put(out, 0x81, contrast);
}

static const struct jl_ssd_part own = {
    .multiplex = 0xA8,
    .normal = 0xA4,
    .column_shift = 1,
    .put_remap = put_remap,
    .put_contrast = put_contrast,
};

#include "ssd_oled_template.h"

const struct jl_controller jl_ssd1327 = {
    .name = "ssd1327",
    .format = &jl_grey4,
    .ram_width = 128,
    .ram_height = 128,
    .buses = 1 << JL_BUS_I2C | JL_SSD_BUSES,
    .default_contrast = 0x80,
    .turns = JL_TURNS_EVEN,
    .column_unit = 2,
    .reset_low_us = 100,
    .reset_recovery_us = 100,
    .window_price_px = 20,
    .layouts[JL_WIRES_SERIAL] = 1 << JL_LAYOUT_GREY4,
    .layouts[JL_WIRES_PARALLEL] = 1 << JL_LAYOUT_GREY4,
    .serial_cycle_ns = 100,
    .parallel_cycle_ns = 300,
    JL_SSD_CONTROLLER,
    .next = jl_next_units,
};
