/*
 * uc1609 driver (command table): pages as the LCD controllers of 132 columns have them; supply,
 * bias and directions by commands of its own.
 */
#include "jadelamp/controllers/uc1609.h"

#include "../core/lone.h"
#include "../core/orientation.h"
#include "page_window.h"

enum { VOLUME = 0x81, ALL_ON = 0xA4, INVERSE = 0xA6, DISPLAY = 0xAE, MAPPING = 0xC0 };
enum { MIRROR_COLUMNS = 2, MIRROR_ROWS = 4 };

static const uint8_t JL_FLASH wake_steps[] = {
    JL_STEP_SEND(0xE3, 0xE2), /* no operation, as the argument of what broke off; soft reset */
    JL_STEP_WAIT_MS(5),
    JL_STEP_SEND(0xAE, 0x24, /* temperature compensation: the least */
                 0xA1,       /* line rate, the reset value */
                 0xEB,       /* bias 1/9 */
                 0x40,       /* RAM row 0 on the first line */
                 0x88),      /* columns count and stop */
    JL_STEP_SETUP,
    JL_STEP_SEND(0x2F),  /* charge pump on */
    JL_STEP_WAIT_MS(50), /* until the voltage stands */
    JL_STEP_CLEAR,
    JL_STEP_SEND(0xAF),
};

static unsigned mirrors_of(const struct jl_panel *panel, unsigned turn) {
    return jl_mirrors_of_turn(turn) ^ jl_mirrors_of_module(jl_config_of(panel));
}

/* On the usual module columns run from segment 0 at the left, and rows from the last common down.
 */
static uint8_t mapping(const struct jl_panel *panel, unsigned turn) {
    unsigned mirrors = mirrors_of(panel, turn);
    return (uint8_t)(MAPPING | (mirrors & AXES_MIRROR_X ? MIRROR_COLUMNS : 0) |
                     (mirrors & AXES_MIRROR_Y ? 0 : MIRROR_ROWS));
}

static size_t setup(const struct jl_panel *panel, uint8_t *out) {
    out[0] = 5;
    out[1] = mapping(panel, panel->turn);
    out[2] = VOLUME;
    out[3] = panel->contrast;
    out[4] = ALL_ON;
    out[5] = (uint8_t)(INVERSE | panel->inverted);
    return 6;
}

static size_t setting(const struct jl_panel *panel, enum jl_setting what, uint8_t value,
                      uint8_t *out) {
    out[0] = 1;
    switch (what) {
    case JL_SETTING_POWER: /* off is its sleep */
        out[1] = (uint8_t)(DISPLAY | (value != 0));
        break;
    case JL_SETTING_CONTRAST:
        out[0] = 2;
        out[1] = VOLUME;
        out[2] = value;
        break;
    case JL_SETTING_TURN:
        out[1] = mapping(panel, value);
        break;
    case JL_SETTING_INVERT:
    case JL_SETTING_ALL_ON:
        out[1] = (uint8_t)((what == JL_SETTING_INVERT ? INVERSE : ALL_ON) | (value != 0));
        break;
    default:
        return 0;
    }
    return 1u + out[0];
}

/* Mirrored columns are counted from the last one of the RAM. */
static size_t window(const struct jl_panel *panel, const struct jl_stretch *stretch, uint8_t *out) {
    const struct jl_panel_config *config = jl_config_of(panel);
    bool mirrored = (mirrors_of(panel, panel->turn) & AXES_MIRROR_X) != 0;
    int left = mirrored ? config->controller->ram_width - config->width - config->column_offset
                        : config->column_offset;
    return jl_page_window(stretch->area, left, out);
}

const struct jl_controller jl_uc1609 = {
    .name = "uc1609",
    .format = &jl_mono_columns,
    .ram_width = 192,
    .ram_height = 64,
    .buses = 1 << JL_BUS_SPI | 1 << JL_BUS_SPI_3WIRE | 1 << JL_BUS_8080_8 | 1 << JL_BUS_6800_8,
    .layouts[JL_WIRES_SERIAL] = 1 << JL_LAYOUT_MONO_COLUMNS,
    .layouts[JL_WIRES_PARALLEL] = 1 << JL_LAYOUT_MONO_COLUMNS,
    .turns = JL_TURNS_EVEN,
    .column_unit = 1,
    .window_price_px = JL_WINDOW_A_LINE + 24,
    .default_contrast = 0x80,
    .reset_low_us = 3,
    .reset_recovery_us = 5000,
    .serial_cycle_ns = 100,
    .parallel_cycle_ns = 150,
    .wake_steps = wake_steps,
    .wake_steps_bytes = sizeof wake_steps,
    .setup = setup,
    .setting = setting,
    .window = window,
    .next = jl_next_page,
};
