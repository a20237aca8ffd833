/*
 * ili9225 driver: registers of 16 bits (instruction list). An index travels with D/C low, a value
 * with D/C high, both the upper byte first.
 */
#include "jadelamp/controllers/ili9225.h"

#include "../core/lone.h"
#include "../core/mem.h"
#include "../core/orientation.h"

enum { COLUMNS = 176, ROWS = 220 };

enum {
    DRIVER_OUTPUT = 0x01, /* SS, bit 8; GS, bit 9; lines */
    ENTRY_MODE = 0x03,    /* BGR, bit 12; directions: ID1 and ID0, bits 5 and 4; AM, bit 3 */
    DISPLAY = 0x07,       /* REV, bit 2: this glass is normally white */
    POWER_1 = 0x10,       /* STB, bit 0; current of the outputs, bits 11 to 8 */
    ROW_ADDRESS = 0x21,
    WRITE_RAM = 0x22,
    LAST_COLUMN = 0x36, /* 36h to 39h: last and first column, last and first row */
};

#define PUT(index, value) JL_STEP_SEND(0x00, (index), (value) >> 8, (value)&0xFF)

/* Supply, timing and gamma for the usual 2.0 and 2.2 inch glass (module maker's values). */
static const uint8_t JL_FLASH wake_steps[] = {
    PUT(POWER_1, 0x0000), PUT(0x11, 0x0000), PUT(0x12, 0x0000), PUT(0x13, 0x0000),
    PUT(0x14, 0x0000), JL_STEP_WAIT_MS(40), PUT(0x11, 0x0018), PUT(0x12, 0x6121), PUT(0x13, 0x006F),
    PUT(0x14, 0x495F), PUT(POWER_1, 0x0800), JL_STEP_WAIT_MS(10),
    PUT(0x11, 0x103B),                       /* boosters on */
    JL_STEP_WAIT_MS(50), PUT(0x02, 0x0100),  /* lines are inverted one by one */
    PUT(DISPLAY, 0x0000), PUT(0x08, 0x0808), /* porches */
    PUT(0x0B, 0x1100),                       /* clocks of a line */
    PUT(0x0C, 0x0000),                       /* pixels come over this bus */
    PUT(0x0F, 0x0D01),                       /* oscillator */
    PUT(0x15, 0x0020),
    PUT(0x30, 0x0000), /* scanned from the first gate on; no scroll, no partial picture */
    PUT(0x31, 0x00DB), PUT(0x32, 0x0000), PUT(0x33, 0x0000), PUT(0x34, 0x00DB), PUT(0x35, 0x0000),
    PUT(0x50, 0x0000), /* gamma */
    PUT(0x51, 0x0808), PUT(0x52, 0x080A), PUT(0x53, 0x000A), PUT(0x54, 0x0A08), PUT(0x55, 0x0808),
    PUT(0x56, 0x0000), PUT(0x57, 0x0A00), PUT(0x58, 0x0710), PUT(0x59, 0x0710),
    /* Whichever way addresses count, so many pixels fill the window. */
    JL_STEP_CLEAR, PUT(DISPLAY, 0x0012), /* gates on, sources later */
    JL_STEP_WAIT_MS(50), JL_STEP_SETUP,  /* switches the display on, too */
};

static uint8_t *put(uint8_t *out, uint8_t index, unsigned value) {
    out[0] = 4;
    out[1] = 0;
    out[2] = index;
    out[3] = (uint8_t)(value >> 8);
    out[4] = (uint8_t)value;
    return out + 5;
}

/* Rows and columns count the way the picture is turned. */
static uint8_t *put_entry_mode(uint8_t *out, const struct jl_panel *panel, unsigned turn) {
    unsigned axes = jl_axes_of_turn(turn);
    unsigned mode = (jl_config_of(panel)->module & JL_MODULE_BGR ? 0 : 0x1000u) |
                    (axes & AXES_MIRROR_X ? 0 : 0x10u) | (axes & AXES_MIRROR_Y ? 0 : 0x20u) |
                    (axes & AXES_EXCHANGE ? 0x08u : 0);
    return put(out, ENTRY_MODE, mode);
}

static uint8_t *put_display(uint8_t *out, const struct jl_panel *panel, bool inverted) {
    bool ips = (jl_config_of(panel)->module & JL_MODULE_IPS) != 0;
    return put(out, DISPLAY, inverted != ips ? 0x1013 : 0x1017);
}

/* Outputs the way the glass is mounted: of the usual one sources from the last, gates from the
 * first. */
static size_t setup(const struct jl_panel *panel, uint8_t *out) {
    unsigned mounted = jl_mirrors_of_module(jl_config_of(panel));
    uint8_t *at = put(out, DRIVER_OUTPUT,
                      0x001Cu | (mounted & AXES_MIRROR_X ? 0 : 0x0100u) |
                          (mounted & AXES_MIRROR_Y ? 0x0200u : 0));
    at = put_entry_mode(at, panel, panel->turn);
    at = put_display(at, panel, panel->inverted);
    return (size_t)(at - out);
}

static size_t setting(const struct jl_panel *panel, enum jl_setting what, uint8_t value,
                      uint8_t *out) {
    static const uint8_t pause[] = {JL_STEP_WAIT_MS(50)};
    uint8_t *at = out;
    switch (what) {
    case JL_SETTING_POWER:
        at = value ? put(at, POWER_1, 0x0800) : put(at, DISPLAY, 0x0000);
        memcpy(at, pause, sizeof pause);
        at += sizeof pause;
        at = value ? put_display(at, panel, panel->inverted) : put(at, POWER_1, 0x0001);
        break;
    case JL_SETTING_INVERT:
        at = put_display(at, panel, value != 0);
        break;
    case JL_SETTING_TURN:
        at = put_entry_mode(at, panel, value);
        break;
    default:
        break;
    }
    return (size_t)(at - out);
}

/* The window, and the corner at which the picture's first pixel lies. */
static size_t window(const struct jl_panel *panel, const struct jl_stretch *stretch, uint8_t *out) {
    unsigned axes = jl_axes_of_turn(panel->turn);
    struct jl_rect area = stretch->area;
    if (axes & AXES_EXCHANGE) {
        area = (struct jl_rect){area.y, area.x, area.h, area.w};
    }
    unsigned first_x = (unsigned)area.x, last_x = first_x + (unsigned)area.w - 1;
    unsigned first_y = (unsigned)area.y, last_y = first_y + (unsigned)area.h - 1;
    if (axes & AXES_MIRROR_X) {
        unsigned other = first_x;
        first_x = COLUMNS - 1 - last_x;
        last_x = COLUMNS - 1 - other;
    }
    if (axes & AXES_MIRROR_Y) {
        unsigned other = first_y;
        first_y = ROWS - 1 - last_y;
        last_y = ROWS - 1 - other;
    }
    const unsigned values[] = {last_x, first_x, last_y, first_y};
    uint8_t *at = out;
    for (uint8_t i = 0; i < 4; i++) {
        at = put(at, (uint8_t)(LAST_COLUMN + i), values[i]);
    }
    at = put(at, ROW_ADDRESS - 1, axes & AXES_MIRROR_X ? last_x : first_x);
    at = put(at, ROW_ADDRESS, axes & AXES_MIRROR_Y ? last_y : first_y);
    at[0] = 2;
    at[1] = 0;
    at[2] = WRITE_RAM;
    return (size_t)(at + 3 - out);
}

const struct jl_controller jl_ili9225 = {
    .name = "ili9225",
    .format = &jl_rgb565,
    .ram_width = COLUMNS,
    .ram_height = ROWS,
    .buses = 1 << JL_BUS_SPI | 1 << JL_BUS_8080_8,
    .layouts[JL_WIRES_SERIAL] = 1 << JL_LAYOUT_RGB565,
    .layouts[JL_WIRES_PARALLEL] = 1 << JL_LAYOUT_RGB565,
    .turns = JL_TURNS_ALL,
    .opcode_bytes = 2,
    .column_unit = 1,
    .reset_low_us = 10,
    .reset_recovery_us = 5000,
    .window_price_px = 20, /* 26 bytes of registers are 13 pixels, and pins change 13 times */
    .serial_cycle_ns = 50,
    .parallel_cycle_ns = 100,
    .wake_steps = wake_steps,
    .wake_steps_bytes = sizeof wake_steps,
    .setup = setup,
    .setting = setting,
    .window = window,
    .next = jl_next_window,
};
