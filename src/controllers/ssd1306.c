/*
 * ssd1306 driver: the encoders of its commands (datasheet section 9, command
 * table). Arguments travel like opcodes: D/C low on SPI, control byte 0x00 on I2C.
 */
#include "jadelamp/controllers/ssd1306.h"

#include "../core/lone.h"
#include "../core/mem.h"
#include "../core/orientation.h"
#include "mono_oled.h"

#define NOP 0xE3

/*
 * Seven NOPs first: a transfer that broke off may have left the controller
 * waiting for arguments (at most 6, of 26h/27h), which the NOPs then fill. All
 * registers that they could spoil are written below.
 */
static const uint8_t JL_FLASH wake_steps[] = {
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

/*
 * Two bytes. On the usual module column 0 is at SEG127's side and row 0 at the last COM,
 * so the upright picture needs both remaps.
 */
void jl_mono_oled_turn(uint8_t *out, const struct jl_panel *panel, unsigned turn) {
    unsigned mirrors = jl_mirrors_of_turn(turn) ^ jl_mirrors_of_module(jl_config_of(panel));
    out[0] = (uint8_t)(0xA1 - (mirrors & AXES_MIRROR_X));
    out[1] = (uint8_t)(0xC8 - (mirrors & AXES_MIRROR_Y) * 4);
}

/* Offsets in setup_steps, the bytes of the usual 128x64 module. */
enum { ROWS = 2, PINS = 4, PUMP = 6, PRECHARGE = 8, TURN = 9, CONTRAST = 12, INVERSE = 14 };
static const uint8_t setup_steps[] = {
    JL_STEP_SEND(0xA8, 63,    /* multiplex ratio: rows - 1 */
                 0xDA, 0x12,  /* COM pins: alternate; 02 sequential */
                 0x8D, 0x14,  /* charge pump on; counts from AFh on */
                 0xD9, 0xF1,  /* precharge: 15 clocks for the weaker pump (app. note) */
                 0xA1, 0xC8,  /* remaps */
                 0x81, 0,     /* contrast */
                 0xA4, 0xA6), /* show the RAM, not inverted */
};

size_t jl_mono_oled_setup_with_pump(const struct jl_panel *panel, uint8_t *out) {
    const struct jl_panel_config *config = jl_config_of(panel);
    memcpy(out, setup_steps, sizeof setup_steps);
    out[ROWS] = (uint8_t)(config->height - 1);
    out[PINS] = jl_mono_oled_pins(config);
    if (config->module & JL_MODULE_EXTERNAL_SUPPLY) {
        out[PUMP] = 0x10;
        out[PRECHARGE] = 0x22; /* 2 clocks are enough for a strong supply (app. note) */
    }
    jl_mono_oled_turn(out + TURN, panel, panel->turn);
    out[CONTRAST] = panel->contrast;
    out[INVERSE] = panel->inverted ? 0xA7 : 0xA6;
    return sizeof setup_steps;
}

size_t jl_mono_oled_setting(const struct jl_panel *panel, enum jl_setting what, uint8_t value,
                            uint8_t *out) {
    /* Pairs of opcodes whose lowest bit is off or on. */
    static const uint8_t switches[] = {
        [JL_SETTING_POWER] = 0xAE, [JL_SETTING_INVERT] = 0xA6, [JL_SETTING_ALL_ON] = 0xA4};
    out[0] = 2;
    if (what == JL_SETTING_CONTRAST) {
        out[1] = 0x81;
        out[2] = value;
    } else if (what == JL_SETTING_TURN) {
        jl_mono_oled_turn(out + 1, panel, value);
    } else if (what < sizeof switches) {
        out[0] = 1;
        out[1] = (uint8_t)(switches[what] | (value != 0));
    } else {
        return 0;
    }
    return 1u + out[0];
}

/*
 * The first RAM column of the glass. Mirroring turns the columns around, so
 * glass that does not sit in their middle starts at another one then.
 */
int16_t jl_mono_oled_first_column(const struct jl_panel *panel) {
    const struct jl_panel_config *config = jl_config_of(panel);
    bool mirrored = (jl_mirrors_of_turn(panel->turn) & AXES_MIRROR_X) != 0;
    return mirrored
               ? (int16_t)(config->controller->ram_width - config->width - config->column_offset)
               : config->column_offset;
}

size_t jl_mono_oled_window(const struct jl_panel *panel, const struct jl_stretch *stretch,
                           uint8_t *out) {
    const struct jl_rect *area = &stretch->area;
    int left = jl_mono_oled_first_column(panel) + area->x;
    out[0] = 6;
    out[1] = 0x21;
    out[2] = (uint8_t)left;
    out[3] = (uint8_t)(left + area->w - 1); /* inclusive */
    out[4] = 0x22;
    out[5] = (uint8_t)(area->y >> 3);
    out[6] = (uint8_t)((area->y + area->h - 1) >> 3);
    return 7;
}

/* Interval codes of 26h/27h, argument C, by display frames. */
static const struct {
    uint16_t frames;
    uint8_t code;
} intervals[] = {{5, 0}, {64, 1}, {128, 2}, {256, 3}, {3, 4}, {4, 5}, {25, 6}, {2, 7}};

static size_t encode_scroll(const struct jl_scroll *request, uint8_t *out) {
    static const uint8_t stop[] = {JL_STEP_SEND(0x2E)};
    if (!request) {
        memcpy(out, stop, sizeof stop);
        return sizeof stop;
    }
    for (size_t i = 0; i < sizeof intervals / sizeof intervals[0]; i++) {
        if (intervals[i].frames != request->frames_per_step) {
            continue;
        }
        /* The setup must not change while a scroll runs: stop, set, start. */
        const uint8_t start[] = {JL_STEP_SEND(
            0x2E, request->direction == JL_SCROLL_LEFT ? 0x27 : 0x26, 0x00, request->first_page,
            intervals[i].code, request->last_page, 0x00, 0xFF, 0x2F)};
        memcpy(out, start, sizeof start);
        return sizeof start;
    }
    return 0;
}

const struct jl_controller jl_ssd1306 = {
    .name = "ssd1306",
    .format = &jl_mono_columns,
    .ram_width = 128,
    .ram_height = 64,
    .buses = 1 << JL_BUS_I2C | 1 << JL_BUS_SPI | 1 << JL_BUS_SPI_3WIRE | 1 << JL_BUS_8080_8 |
             1 << JL_BUS_6800_8,
    .layouts[JL_WIRES_SERIAL] = 1 << JL_LAYOUT_MONO_COLUMNS,
    .layouts[JL_WIRES_PARALLEL] = 1 << JL_LAYOUT_MONO_COLUMNS,
    .serial_cycle_ns = 100,   /* datasheet table 13-4 */
    .parallel_cycle_ns = 300, /* table 13-3 */
    .default_contrast = 0xCF,
    .reset_low_us = 3,
    .reset_recovery_us = 3,
    .window_price_px = 80, /* 10 bytes on I2C: address, control, 21 a b, 22 a b, address, control */
    .column_unit = 1,
    .turns = JL_TURNS_EVEN,
    .wake_steps = wake_steps,
    .wake_steps_bytes = sizeof wake_steps,
    .setup = jl_mono_oled_setup_with_pump,
    .setting = jl_mono_oled_setting,
    .window = jl_mono_oled_window,
    .next = jl_next_window,
};

const struct jl_motion jl_ssd1306_motion = {.scroll = encode_scroll};
