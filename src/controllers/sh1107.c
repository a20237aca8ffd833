/*
 * sh1107 driver (command table): 128 columns, each a common that is scanned, and 16 pages, whose
 * bits are segments. Pages are addressed as on an sh1106; its remaps, its multiplex ratio and its
 * offset mean the other axis than there.
 */
#include "jadelamp/controllers/sh1107.h"

#include "../core/lone.h"
#include "../core/mem.h"
#include "../core/orientation.h"
#include "mono_oled.h"
#include "page_window.h"

enum { COMMONS = 128, SEGMENTS = 128 };

/* One NOP fills the argument of a command that broke off: none has more than one. */
static const uint8_t JL_FLASH wake_steps[] = {
    JL_STEP_SEND(0xE3, 0xEE,  /* leave read-modify-write: columns count again */
                 0xAE,        /* off: the converter may only be set then */
                 0xD5, 0x50,  /* oscillator and divider, the reset value */
                 0xDC, 0x00,  /* RAM column 0 is scanned first */
                 0x20,        /* page addressing */
                 0xD9, 0x22,  /* precharge, the reset value */
                 0xDB, 0x35), /* VCOM deselect level, the reset value */
    JL_STEP_SETUP,
    JL_STEP_CLEAR,
    JL_STEP_SEND(0xAF),
};

enum { TURN_BYTES = 4 };

/*
 * Remaps and offset. The picture's columns are scanned from the lowest common of the glass up (C0h)
 * or from the highest down (C8h); the offset brings the first of them to that common.
 */
static void write_turn(uint8_t *out, const struct jl_panel *panel, unsigned turn) {
    const struct jl_panel_config *config = jl_config_of(panel);
    unsigned mounted = jl_mirrors_of_module(config);
    unsigned mirrors = jl_mirrors_of_turn(turn) ^ mounted;
    int lowest = mounted & AXES_MIRROR_X ? COMMONS - config->width - config->column_offset
                                         : config->column_offset;
    bool down = (mirrors & AXES_MIRROR_X) != 0;
    out[0] = mirrors & AXES_MIRROR_Y ? 0xA1 : 0xA0;
    out[1] = down ? 0xC8 : 0xC0;
    out[2] = 0xD3;
    out[3] = (uint8_t)((down ? lowest : COMMONS - lowest) % COMMONS);
}

enum { COLUMNS = 2, TURN = 3, CONTRAST = TURN + TURN_BYTES + 1, INVERSE = CONTRAST + 2, CONVERTER };
static const uint8_t setup_steps[] = {
    JL_STEP_SEND(0xA8, 127,           /* multiplex ratio: columns of the glass - 1 */
                 0xA0, 0xC0, 0xD3, 0, /* turn */
                 0x81, 0,             /* contrast */
                 0xA4, 0xA6,          /* show the RAM, not inverted */
                 0xAD, 0x8B),         /* converter on; 8Ah where the supply is external */
};

static size_t setup(const struct jl_panel *panel, uint8_t *out) {
    const struct jl_panel_config *config = jl_config_of(panel);
    memcpy(out, setup_steps, sizeof setup_steps);
    out[COLUMNS] = (uint8_t)(config->width - 1);
    write_turn(out + TURN, panel, panel->turn);
    out[CONTRAST] = panel->contrast;
    out[INVERSE] = panel->inverted ? 0xA7 : 0xA6;
    if (config->module & JL_MODULE_EXTERNAL_SUPPLY) {
        out[sizeof setup_steps - 1] = 0x8A;
    }
    return sizeof setup_steps;
}

static size_t setting(const struct jl_panel *panel, enum jl_setting what, uint8_t value,
                      uint8_t *out) {
    if (what != JL_SETTING_TURN) {
        return jl_mono_oled_setting(panel, what, value, out);
    }
    out[0] = TURN_BYTES;
    write_turn(out + 1, panel, value);
    return 1 + TURN_BYTES;
}

/* Glass of fewer rows begins at segment 0, which is the last row of the RAM behind A1h. */
static size_t window(const struct jl_panel *panel, const struct jl_stretch *stretch, uint8_t *out) {
    const struct jl_panel_config *config = jl_config_of(panel);
    unsigned mirrors = jl_mirrors_of_turn(panel->turn) ^ jl_mirrors_of_module(config);
    struct jl_rect area = stretch->area;
    area.y = (int16_t)(area.y + (mirrors & AXES_MIRROR_Y ? SEGMENTS - config->height : 0));
    return jl_page_window(area, 0, out);
}

const struct jl_controller jl_sh1107 = {
    .name = "sh1107",
    .ram_width = COMMONS,
    .ram_height = SEGMENTS,
    .default_contrast = 0x80,
    .reset_low_us = 10,
    .reset_recovery_us = 2,
    .window_price_px = JL_WINDOW_A_LINE + 56, /* 7 bytes on I2C, as on sh1106 */
    .serial_cycle_ns = 250,
    .parallel_cycle_ns = 300,
    .window = window,
    .next = jl_next_page,
    .setup = setup,
    .setting = setting,
    MONO_OLED_COMMON,
};
