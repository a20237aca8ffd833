/*
 * t6963c driver (datasheet, command definitions). The first byte of a step is its command; the bus
 * sends the arguments in front of it.
 */
#include "t6963c.h"

#include "../core/lone.h"
#include "../panel/units.h"

enum {
    OFFSET = 0x22,
    ADDRESS = 0x24,
    TEXT_HOME = 0x40,
    TEXT_AREA = 0x41,
    GRAPHIC_HOME = 0x42,
    GRAPHIC_AREA = 0x43,
    MODE_OR = 0x80,
    DISPLAY_OFF = 0x90,
    DISPLAY_ON = 0x98, /* graphics; text is switched on by those who write some */
    AUTO_WRITE = 0xB0,
    AUTO_END = 0xB2,
};

static const uint8_t JL_FLASH wake_steps[] = {
    JL_STEP_SEND(AUTO_END), /* of a transfer that was cut off */
    JL_STEP_SEND(DISPLAY_OFF),
    JL_STEP_SEND(MODE_OR),
    JL_STEP_SEND(GRAPHIC_HOME, 0, 0),
    JL_STEP_SEND(TEXT_HOME, T6963C_TEXT_AT & 0xFF, T6963C_TEXT_AT >> 8),
    JL_STEP_SETUP,
    JL_STEP_SEND(OFFSET, T6963C_SYMBOLS_AT >> 11, 0),
    JL_STEP_CLEAR,
    JL_STEP_SEND(DISPLAY_ON),
};

static uint8_t row_bytes(const struct jl_panel *panel) {
    return (uint8_t)(jl_config_of(panel)->width / 8);
}

static size_t setup(const struct jl_panel *panel, uint8_t *out) {
    uint8_t bytes = row_bytes(panel);
    out[0] = out[4] = 3;
    out[1] = GRAPHIC_AREA;
    out[5] = TEXT_AREA;
    out[2] = out[6] = bytes;
    out[3] = out[7] = 0;
    return 8;
}

static size_t setting(const struct jl_panel *panel, enum jl_setting what, uint8_t value,
                      uint8_t *out) {
    (void)panel;
    out[0] = 1;
    out[1] = value ? DISPLAY_ON : DISPLAY_OFF;
    return what == JL_SETTING_POWER ? 2 : 0;
}

enum { OPEN_BYTES = 6 };

/* Steps that begin auto write at an address. */
static void put_open(uint16_t address, uint8_t *out) {
    out[0] = 3;
    out[1] = ADDRESS;
    out[2] = (uint8_t)address;
    out[3] = (uint8_t)(address >> 8);
    out[4] = 1;
    out[5] = AUTO_WRITE;
}

/* Rows as wide as the glass follow one another. */
static size_t next(struct jl_panel *panel, const struct jl_rect *area, struct jl_stretch *stretch,
                   uint8_t *out) {
    struct jl_rect *now = &stretch->area;
    const struct jl_rect grown = jl_whole_units(panel, area);
    size_t bytes = 0;
    int16_t top = area->y;
    if (now->h) {
        top = (int16_t)(now->y + now->h);
        out[0] = 1;
        out[1] = AUTO_END;
        bytes = 2;
    }
    if (top >= area->y + area->h) {
        now->h = 0;
        return bytes;
    }
    *now = (struct jl_rect){grown.x, top, grown.w,
                            grown.w == jl_config_of(panel)->width ? area->h : 1};
    uint16_t address = (uint16_t)((uint16_t)top * row_bytes(panel) + (uint16_t)(grown.x / 8));
    put_open(address, out + bytes);
    return bytes + OPEN_BYTES;
}

jl_status jl_t6963c_begin(const struct jl_panel *panel, uint16_t address) {
    const struct jl_bus *bus = jl_config_of(panel)->bus;
    uint8_t steps[OPEN_BYTES];
    put_open(address, steps);
    jl_status status = bus->send(panel, false, steps + 1, 3);
    return status == JL_OK ? bus->send(panel, false, steps + 5, 1) : status;
}

jl_status jl_t6963c_end(const struct jl_panel *panel, jl_status status) {
    const uint8_t end = AUTO_END;
    return status == JL_OK ? jl_config_of(panel)->bus->send(panel, false, &end, 1) : status;
}

const struct jl_controller jl_t6963c = {
    .name = "t6963c",
    .format = &jl_mono_rows,
    .ram_width = 240,
    .ram_height = 128,
    .buses = 1 << JL_BUS_8080_8,
    .layouts[JL_WIRES_PARALLEL] = 1 << JL_LAYOUT_MONO_ROWS,
    .turns = JL_TURNS_NONE,
    .opcode_bytes = 1,
    .column_unit = 8,
    .reset_low_us = 10,
    .reset_recovery_us = 1000,
    .window_price_px = JL_WINDOW_A_LINE + 40, /* end, address and auto write: 5 bytes */
    .parallel_cycle_ns = 250,
    .wake_steps = wake_steps,
    .wake_steps_bytes = sizeof wake_steps,
    .setup = setup,
    .setting = setting,
    .next = next,
};
