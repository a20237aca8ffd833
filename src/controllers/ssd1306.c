/*
 * ssd1306 driver: the encoders of its commands (datasheet section 9, command
 * table). Arguments travel like opcodes: D/C low on SPI, control byte 0x00 on I2C.
 */
#include "jadelamp/controllers/ssd1306.h"

#define NOP 0xE3

/*
 * Seven NOPs first: a transfer that broke off may have left the controller
 * waiting for arguments (at most 6, of 26h/27h), which the NOPs then fill. All
 * registers that they could spoil are written below.
 */
static const uint8_t wake_steps[] = {
    JL_STEP_SEND(NOP, NOP, NOP, NOP, NOP, NOP, NOP,
                 0xAE,        /* display off while its geometry changes */
                 0x2E,        /* scroll off: the RAM must not be written while it runs */
                 0xD5, 0x80,  /* oscillator 8 (370 kHz typical), divide by 1 */
                 0xD3, 0x00,  /* no vertical offset */
                 0x40,        /* RAM row 0 on the first line */
                 0x20, 0x00,  /* horizontal addressing: windows fill row by row */
                 0xDB, 0x20), /* deselect level 0.77 VCC, the reset value */
    JL_STEP_SETUP,
    JL_STEP_CLEAR, /* the RAM holds noise after power-on */
    JL_STEP_SEND(0xAF),
};

static size_t put1(uint8_t *out, size_t at, uint8_t a) {
    out[at] = a;
    return at + 1;
}

static size_t put2(uint8_t *out, size_t at, uint8_t a, uint8_t b) {
    return put1(out, put1(out, at, a), b);
}

/*
 * On the usual module column 0 is at SEG127's side and row 0 at the last COM,
 * so the upright picture needs both remaps; mounting and flip each turn it once.
 */
static size_t put_flip(uint8_t *out, size_t at, uint8_t module, uint8_t flip) {
    bool x_normal = ((module & JL_MODULE_MIRROR_X) != 0) != ((flip & JL_FLIP_X) != 0);
    bool y_normal = ((module & JL_MODULE_MIRROR_Y) != 0) != ((flip & JL_FLIP_Y) != 0);
    return put2(out, at, x_normal ? 0xA0 : 0xA1, y_normal ? 0xC0 : 0xC8);
}

/* The length byte of a send step, once its end is known. */
static size_t finish(uint8_t *out, size_t end) {
    out[0] = (uint8_t)(end - 1);
    return end;
}

static size_t setup(const struct jl_panel *panel, uint8_t *out) {
    const struct jl_panel_config *config = panel->config;
    bool pump = !(config->module & JL_MODULE_EXTERNAL_SUPPLY);
    bool sequential = (config->module & JL_MODULE_ROWS_SEQUENTIAL) != 0;
    size_t n = 1;
    n = put2(out, n, 0xA8, (uint8_t)(config->height - 1)); /* multiplex ratio: rows - 1 */
    n = put2(out, n, 0xDA, sequential ? 0x02 : 0x12);      /* COM pins */
    n = put2(out, n, 0x8D, pump ? 0x14 : 0x10);            /* charge pump; counts from AFh on */
    /* Precharge: 15 clocks for the weaker pump, 2 for an external supply (app. note). */
    n = put2(out, n, 0xD9, pump ? 0xF1 : 0x22);
    n = put_flip(out, n, config->module, panel->flip);
    n = put2(out, n, 0x81, panel->contrast);
    n = put2(out, n, 0xA4, panel->inverted ? 0xA7 : 0xA6); /* show the RAM */
    return finish(out, n);
}

static size_t setting(const struct jl_panel *panel, enum jl_setting what, uint8_t value,
                      uint8_t *out) {
    /* Pairs of opcodes whose lowest bit is off or on. */
    static const uint8_t switches[] = {
        [JL_SETTING_POWER] = 0xAE, [JL_SETTING_INVERT] = 0xA6, [JL_SETTING_ALL_ON] = 0xA4};
    if (what == JL_SETTING_CONTRAST) {
        return finish(out, put2(out, 1, 0x81, value));
    }
    if (what == JL_SETTING_FLIP) {
        return finish(out, put_flip(out, 1, panel->config->module, value));
    }
    if (what >= sizeof switches) {
        return 0;
    }
    return finish(out, put1(out, 1, (uint8_t)(switches[what] | (value != 0))));
}

/*
 * The first RAM column of the glass. Mirroring turns the 128 columns around, so
 * glass that does not sit in their middle starts at another one then.
 */
static int16_t first_column(const struct jl_panel *panel) {
    const struct jl_panel_config *config = panel->config;
    bool mirrored = (panel->flip & JL_FLIP_X) != 0;
    return mirrored ? (int16_t)(128 - config->width - config->column_offset)
                    : config->column_offset;
}

static size_t window(const struct jl_panel *panel, struct jl_rect area, uint8_t *out) {
    uint8_t left = (uint8_t)(first_column(panel) + area.x);
    size_t n = put2(out, 1, 0x21, left);
    n = put1(out, n, (uint8_t)(left + area.w - 1)); /* inclusive */
    n = put2(out, n, 0x22, (uint8_t)(area.y / 8));
    n = put1(out, n, (uint8_t)((area.y + area.h - 1) / 8));
    return finish(out, n);
}

/* Interval codes of 26h/27h, argument C, by display frames. */
static const struct {
    uint16_t frames;
    uint8_t code;
} intervals[] = {{5, 0}, {64, 1}, {128, 2}, {256, 3}, {3, 4}, {4, 5}, {25, 6}, {2, 7}};

static size_t encode_scroll(const struct jl_scroll *request, uint8_t *out) {
    if (!request) {
        return finish(out, put1(out, 1, 0x2E));
    }
    for (size_t i = 0; i < sizeof intervals / sizeof intervals[0]; i++) {
        if (intervals[i].frames != request->frames_per_step) {
            continue;
        }
        /* The setup must not change while a scroll runs: stop, set, start. */
        size_t n = put2(out, 1, 0x2E, request->direction == JL_SCROLL_LEFT ? 0x27 : 0x26);
        n = put2(out, n, 0x00, request->first_page); /* dummy, start */
        n = put2(out, n, intervals[i].code, request->last_page);
        n = put2(out, n, 0x00, 0xFF); /* dummies */
        return finish(out, put1(out, n, 0x2F));
    }
    return 0;
}

const struct jl_controller jl_ssd1306 = {
    .name = "ssd1306",
    .format = &jl_mono_columns,
    .ram_width = 128,
    .ram_height = 64,
    .buses = 1 << JL_BUS_I2C | 1 << JL_BUS_SPI,
    .default_contrast = 0xCF,
    .reset_low_us = 3,
    .reset_recovery_us = 3,
    .window_price_px = 80, /* 10 bytes on I2C: address, control, 21 a b, 22 a b, address, control */
    .column_unit = 1,
    .wake_steps = wake_steps,
    .wake_steps_bytes = sizeof wake_steps,
    .setup = setup,
    .setting = setting,
    .window = window,
};

const struct jl_scroller jl_ssd1306_scroller = {.encode = encode_scroll};
