/* ssd1322 driver (datasheet rev 1.2, command table 8-1). Arguments travel like data. */
#include "jadelamp/controllers/ssd1322.h"

#include "../core/lone.h"
#include "../core/orientation.h"
#include "ssd_oled.h"

static const uint8_t JL_FLASH wake_steps[] = {
    JL_STEP_SEND(0xFD, 0x12), /* unlock */
    JL_STEP_SEND(0xAE),
    JL_STEP_SEND(0xB3, 0x91), /* clock */
    JL_STEP_SETUP,
    JL_STEP_SEND(0xA2, 0x00),       /* no offset */
    JL_STEP_SEND(0xB5, 0x00),       /* GPIO off */
    JL_STEP_SEND(0xAB, 0x01),       /* internal regulator */
    JL_STEP_SEND(0xB4, 0xA0, 0xFD), /* external VSL, enhanced */
    JL_STEP_SEND(0xC7, 0x0F),       /* master current: full */
    JL_STEP_SEND(0xB9),             /* linear greys */
    JL_STEP_SEND(0xB1, 0xE2),       /* phases */
    JL_STEP_SEND(0xD1, 0x82, 0x20),
    JL_STEP_SEND(0xBB, 0x1F), /* precharge */
    JL_STEP_SEND(0xB6, 0x08), /* second precharge */
    JL_STEP_SEND(0xBE, 0x07), /* VCOMH */
    JL_STEP_SEND(0xA9),       /* no partial display */
    JL_STEP_CLEAR,
    JL_STEP_SEND(0xAF),
};

/*
 * Bits of A0h. The nibbles' remap makes the first high nibble the left pixel of its group; the
 * columns' remap mirrors every output by itself, so the other bit stays as it is.
 */
static uint8_t *put_remap(uint8_t *out, const struct jl_panel *panel, uint8_t turn) {
    unsigned mirrors = jl_mirrors_of_turn(turn) ^ jl_mirrors_of_module(jl_config_of(panel));
    unsigned remap = 0x04 | (mirrors & AXES_MIRROR_X ? 0x02 : 0);
    remap |= mirrors & AXES_MIRROR_Y ? 0 : 0x10; /* usual glass: from the last COM */
    out[0] = 3;
    out[1] = 0xA0;
    out[2] = (uint8_t)remap;
    out[3] = 0x11; /* two COMs at a time */
    return out + 4;
}

static uint8_t *put_contrast(uint8_t *out, uint8_t contrast) {
    return jl_ssd_put(out, 0xC1, contrast);
}

static const struct jl_ssd_part own = {
    .multiplex = 0xCA,
    .normal = 0xA6,
    .column_shift = 2,
    .write_opcode = 0x5C,
    .put_remap = put_remap,
    .put_contrast = put_contrast,
};

#include "ssd_oled_template.h"

/* Rows count along the scan, which runs upwards for a mirrored picture. */
static size_t show_rows(const struct jl_panel *panel, int16_t top, int16_t rows, uint8_t *out) {
    if (!rows) {
        out[0] = 1;
        out[1] = 0xA9;
        return 2;
    }
    bool upwards = (jl_mirrors_of_turn(panel->turn) & AXES_MIRROR_Y) != 0;
    int first = upwards ? jl_config_of(panel)->height - top - rows : top;
    out[0] = 3;
    out[1] = 0xA8;
    out[2] = (uint8_t)first;
    out[3] = (uint8_t)(first + rows - 1);
    return 4;
}

const struct jl_motion jl_ssd1322_motion = {.show_rows = show_rows};

const struct jl_controller jl_ssd1322 = {
    .name = "ssd1322",
    .format = &jl_grey4,
    .ram_width = 480,
    .ram_height = 128,
    .buses = JL_SSD_BUSES,
    .default_contrast = 0x9F,
    .opcode_bytes = 1,
    .turns = JL_TURNS_EVEN,
    .column_unit = 4,
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
