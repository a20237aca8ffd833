/*
 * pcd8544 driver (datasheet section 8, instruction set): a basic and an extended set of
 * instructions, one of which is always chosen by 20h or 21h.
 */
#include "jadelamp/controllers/pcd8544.h"

#include "../core/lone.h"
#include "../core/mem.h"

enum {
    BASIC = 0x20,
    EXTENDED = 0x21,
    POWER_DOWN = 0x04, /* with BASIC */
    BLANK = 0x08,
    ALL_ON = 0x09,
    NORMAL = 0x0C,
    INVERSE = 0x0D,
    SET_Y = 0x40,
    SET_X = 0x80,
    SET_VOP = 0x80, /* of the extended set */
};

static const uint8_t JL_FLASH wake_steps[] = {
    JL_STEP_SEND(EXTENDED, 0x04, /* temperature coefficient 0 */
                 0x13,           /* bias 1:48 */
                 BASIC),         /* addresses count along x */
    JL_STEP_SEND(BASIC, BLANK),  /* until the RAM holds a picture: it holds noise */
    JL_STEP_CLEAR,
    JL_STEP_SETUP,
};

/* Vop is 3.06 V + 0.06 V times its 7 bits. */
static uint8_t vop(uint8_t contrast) {
    return (uint8_t)(SET_VOP | contrast >> 1);
}

static uint8_t mode(bool inverted) {
    return inverted ? INVERSE : NORMAL;
}

static size_t setup(const struct jl_panel *panel, uint8_t *out) {
    const uint8_t steps[] = {
        JL_STEP_SEND(EXTENDED, vop(panel->contrast), BASIC, mode(panel->inverted))};
    memcpy(out, steps, sizeof steps);
    return sizeof steps;
}

static size_t setting(const struct jl_panel *panel, enum jl_setting what, uint8_t value,
                      uint8_t *out) {
    out[0] = 1;
    switch (what) {
    case JL_SETTING_POWER:
        out[1] = value ? BASIC : BASIC | POWER_DOWN;
        return 2;
    case JL_SETTING_INVERT:
        out[1] = mode(value);
        return 2;
    case JL_SETTING_ALL_ON:
        out[1] = value ? ALL_ON : mode(panel->inverted);
        return 2;
    case JL_SETTING_CONTRAST:
        out[0] = 3;
        out[1] = EXTENDED;
        out[2] = vop(value);
        out[3] = BASIC;
        return 4;
    default: /* it cannot mirror */
        return 0;
    }
}

static size_t window(const struct jl_panel *panel, const struct jl_stretch *stretch, uint8_t *out) {
    out[0] = 2;
    out[1] = (uint8_t)(SET_X | (stretch->area.x + jl_config_of(panel)->column_offset));
    out[2] = (uint8_t)(SET_Y | stretch->area.y >> 3);
    return 3;
}

const struct jl_controller jl_pcd8544 = {
    .name = "pcd8544",
    .format = &jl_mono_columns,
    .ram_width = 84,
    .ram_height = 48,
    .buses = 1 << JL_BUS_SPI,
    .layouts[JL_WIRES_SERIAL] = 1 << JL_LAYOUT_MONO_COLUMNS,
    .turns = JL_TURNS_NONE,
    .column_unit = 1,
    .default_contrast = 0x80,
    .reset_low_us = 1,
    .reset_recovery_us = 1,
    .window_price_px = JL_WINDOW_A_LINE + 16,
    .serial_cycle_ns = 250,
    .wake_steps = wake_steps,
    .wake_steps_bytes = sizeof wake_steps,
    .setup = setup,
    .setting = setting,
    .window = window,
    .next = jl_next_wrapped,
};
