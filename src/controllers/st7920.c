/*
 * st7920 driver, graphics mode (datasheet, instruction sets 1 and 2). Its RAM is 256 x 32: the
 * lower half of a 128x64 glass is the right half of the same 32 rows. It is busy for 72 us
 * after every byte, which the buses jl_bus_st7920_serial and jl_bus_6800_8_paced wait for.
 */
#include "jadelamp/controllers/st7920.h"

#include "../core/lone.h"
#include "../core/mem.h"
#include "../panel/units.h"
#include "no_setup.h"

enum {
    BASIC = 0x30,    /* 8 bits, instruction set 1 */
    EXTENDED = 0x34, /* instruction set 2, graphics off */
    GRAPHICS = 0x36, /* instruction set 2, graphics on */
    DISPLAY_OFF = 0x08,
    DISPLAY_ON = 0x0C,
    SET_ADDRESS = 0x80, /* of the graphics RAM: the row, then the column of 16 pixels */
    FOLDED_ROWS = 32,
    HALF_COLUMNS = 8,
};

/* DL, RE and G may not change in one instruction, hence one after the other. */
static const uint8_t JL_FLASH wake_steps[] = {
    JL_STEP_WAIT_MS(40),                          /* internal reset after power-on */
    JL_STEP_SEND(BASIC, BASIC, DISPLAY_ON, 0x01), /* clears the text that would shine through */
    JL_STEP_WAIT_MS(10),
    /* Twice: the first one only opens the set where graphics were on. */
    JL_STEP_SEND(0x06, EXTENDED, EXTENDED),
    JL_STEP_SETUP,
    JL_STEP_CLEAR,
    JL_STEP_SEND(GRAPHICS),
};

static size_t setting(const struct jl_panel *panel, enum jl_setting what, uint8_t value,
                      uint8_t *out) {
    const uint8_t steps[] = {
        JL_STEP_SEND(BASIC, value ? DISPLAY_ON : DISPLAY_OFF, GRAPHICS)}; /* G stays as it was */
    (void)panel;
    if (what != JL_SETTING_POWER) {
        return 0;
    }
    memcpy(out, steps, sizeof steps);
    return sizeof steps;
}

/* One row. */
static size_t window(const struct jl_panel *panel, const struct jl_stretch *stretch, uint8_t *out) {
    (void)panel;
    const struct jl_rect area = stretch->area;
    bool lower = area.y >= FOLDED_ROWS;
    out[0] = 2;
    out[1] = (uint8_t)(SET_ADDRESS | (lower ? area.y - FOLDED_ROWS : area.y));
    out[2] = (uint8_t)(SET_ADDRESS | (area.x / 16 + (lower ? HALF_COLUMNS : 0)));
    return 3;
}

/*
 * The whole picture takes 32 addresses instead of 64: a row of the RAM is two of the glass, one
 * in each half.
 */
static size_t next(struct jl_panel *panel, const struct jl_rect *area, struct jl_stretch *stretch,
                   uint8_t *out) {
    const struct jl_rect grown = jl_whole_units(panel, area);
    bool folded = grown.w == jl_config_of(panel)->controller->ram_width && area->h > FOLDED_ROWS &&
                  area->y == 0 && !stretch->in_order;
    if (!folded) {
        return jl_next_line(panel, &grown, stretch, out);
    }
    bool first = stretch->area.h == 0;
    int row = first ? 0 : stretch->area.y + FOLDED_ROWS;
    if (!first && stretch->area.y < FOLDED_ROWS && row < area->h) {
        stretch->area.y = (int16_t)row; /* the pointer is there already */
        return 0;
    }
    row = first ? 0 : stretch->area.y % FOLDED_ROWS + 1;
    stretch->area = (struct jl_rect){0, (int16_t)row, grown.w, row < FOLDED_ROWS};
    return row < FOLDED_ROWS ? window(panel, stretch, out) : 0;
}

const struct jl_controller jl_st7920 = {
    .name = "st7920",
    .format = &jl_mono_rows,
    .ram_width = 128,
    .ram_height = 64,
    .buses = 1 << JL_BUS_ST7920_SERIAL | 1 << JL_BUS_6800_8,
    .layouts[JL_WIRES_SERIAL] = 1 << JL_LAYOUT_MONO_ROWS,
    .layouts[JL_WIRES_PARALLEL] = 1 << JL_LAYOUT_MONO_ROWS,
    .turns = JL_TURNS_NONE,
    .column_unit = 16,
    .byte_us = 72,
    .reset_low_us = 10,
    .reset_recovery_us = 40000,
    .window_price_px = JL_WINDOW_A_LINE + 16,
    .serial_cycle_ns = 400,    /* 2.5 MHz at 5 V */
    .parallel_cycle_ns = 1200, /* at 5 V */
    .wake_steps = wake_steps,
    .wake_steps_bytes = sizeof wake_steps,
    .setup = jl_no_setup,
    .setting = setting,
    .window = window,
    .next = next,
};
