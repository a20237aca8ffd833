/* ssd1325 driver (command table). Arguments travel like opcodes. */
#include "jadelamp/controllers/ssd1325.h"

#include "../core/lone.h"
#include "../core/orientation.h"
#include "ssd_oled.h"

enum { COMS = 80, FIRST_COM = 12 };

/* Eight NOPs fill the arguments of a command that broke off: the grey table has most. */
static const uint8_t JL_FLASH wake_steps[] = {
    JL_STEP_SEND(0xE3, 0xE3, 0xE3, 0xE3, 0xE3, 0xE3, 0xE3, 0xE3, 0xAE),
    JL_STEP_SETUP,
    JL_STEP_SEND(0x86,        /* all of the current */
                 0xAD, 0x02,  /* the panel's voltage comes from the module */
                 0xB3, 0x91,  /* clock */
                 0xB2, 0x51,  /* clocks of a row */
                 0xB1, 0x55,  /* phases */
                 0xB4, 0x02,  /* precharge compensation: level, */
                 0xB0, 0x28), /* on */
    JL_STEP_SEND(0xB8, 0x01, 0x11, 0x22, 0x32, 0x43, 0x54, 0x65, 0x76, /* grey table */
                 0xBC, 0x10,                                           /* precharge voltage */
                 0xBE, 0x1C,                                           /* VCOMH */
                 0xBF, 0x0F),                                          /* segment low voltage */
    JL_STEP_CLEAR,
    JL_STEP_SEND(0xAF),
};

/*
 * A0h, and the offset that goes with its COM remap: from the last COM of all down, or from COM 0
 * up, to the first row of the glass. The columns' remap exchanges pairs of pixels only; the
 * nibbles' follows it, so that the left pixel of the picture is always the high nibble.
 */
static uint8_t *put_remap(uint8_t *out, const struct jl_panel *panel, uint8_t turn) {
    const struct jl_panel_config *config = jl_config_of(panel);
    unsigned mirrors = jl_mirrors_of_turn(turn) ^ jl_mirrors_of_module(config);
    bool down = !(mirrors & AXES_MIRROR_Y);
    int first = config->height <= 64 ? FIRST_COM : 0;
    int offset = down ? first + config->height : COMS - first;
    unsigned remap = 0x40; /* odd and even COMs on either side */
    remap |= mirrors & AXES_MIRROR_X ? 0x03 : 0;
    remap |= down ? 0x10 : 0;
    out = jl_ssd_put(out, 0xA0, (uint8_t)remap);
    return jl_ssd_put(out, 0xA2, (uint8_t)(offset % COMS));
}

/* Seven bits. */
static uint8_t *put_contrast(uint8_t *out, uint8_t contrast) {
    return jl_ssd_put(out, 0x81, contrast >> 1);
}

static const struct jl_ssd_part own = {
    .multiplex = 0xA8,
    .normal = 0xA4,
    .column_shift = 1,
    .put_remap = put_remap,
    .put_contrast = put_contrast,
};

#include "ssd_oled_template.h"

const struct jl_controller jl_ssd1325 = {
    .name = "ssd1325",
    .format = &jl_grey4,
    .ram_width = 128,
    .ram_height = COMS,
    .buses = 1 << JL_BUS_I2C | JL_SSD_BUSES,
    .default_contrast = 0xC0,
    .turns = JL_TURNS_EVEN,
    .column_unit = 2,
    .reset_low_us = 3,
    .reset_recovery_us = 3,
    .window_price_px = 20,
    .layouts[JL_WIRES_SERIAL] = 1 << JL_LAYOUT_GREY4,
    .layouts[JL_WIRES_PARALLEL] = 1 << JL_LAYOUT_GREY4,
    .serial_cycle_ns = 250,
    .parallel_cycle_ns = 300,
    JL_SSD_CONTROLLER,
    .next = jl_next_units,
};
