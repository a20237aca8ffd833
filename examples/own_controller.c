/*
 * A controller of one's own, in the program: a constant and a few encoders, written from its
 * datasheet. Nothing of the library changes. Here it is an ssd1309, as if the library had none.
 */
#include "example.h"

static const uint8_t JL_FLASH wake_steps[] = {
    JL_STEP_SEND(0xAE),       /* display off */
    JL_STEP_SEND(0x20, 0x00), /* addresses go row by row */
    JL_STEP_SETUP,
    JL_STEP_CLEAR,
    JL_STEP_SEND(0xAF), /* display on */
};

/* What the description decides: here the contrast alone, and the usual mounting. */
static size_t setup(const struct jl_panel *panel, uint8_t *out) {
    const uint8_t steps[] = {JL_STEP_SEND(0xA1, 0xC8, 0x81, panel->contrast)};
    for (size_t i = 0; i < sizeof steps; i++) {
        out[i] = steps[i];
    }
    return sizeof steps;
}

static size_t setting(const struct jl_panel *panel, enum jl_setting what, uint8_t value,
                      uint8_t *out) {
    (void)panel;
    if (what != JL_SETTING_POWER && what != JL_SETTING_INVERT) {
        return 0; /* JL_UNSUPPORTED */
    }
    out[0] = 1;
    out[1] = (uint8_t)((what == JL_SETTING_POWER ? 0xAE : 0xA6) | value);
    return 2;
}

static size_t window(const struct jl_panel *panel, const struct jl_stretch *stretch, uint8_t *out) {
    const struct jl_rect *area = &stretch->area;
    const uint8_t steps[] = {JL_STEP_SEND(0x21, (uint8_t)area->x, (uint8_t)(area->x + area->w - 1),
                                          0x22, (uint8_t)(area->y / 8),
                                          (uint8_t)((area->y + area->h - 1) / 8))};
    (void)panel;
    for (size_t i = 0; i < sizeof steps; i++) {
        out[i] = steps[i];
    }
    return sizeof steps;
}

static const struct jl_controller my_part = {
    .name = "my part",
    .format = &jl_mono_columns,
    .ram_width = 128,
    .ram_height = 64,
    .buses = 1 << JL_BUS_SPI,
    .layouts[JL_WIRES_SERIAL] = 1 << JL_LAYOUT_MONO_COLUMNS,
    .turns = JL_TURNS_NONE,
    .column_unit = 1,
    .default_contrast = 0xCF,
    .reset_low_us = 3,
    .reset_recovery_us = 3,
    .serial_cycle_ns = 100,
    .wake_steps = wake_steps,
    .wake_steps_bytes = sizeof wake_steps,
    .setup = setup,
    .setting = setting,
    .window = window,
    .next = jl_next_window,
};

static const struct jl_panel_config oled = {.controller = &my_part,
                                            .bus = &jl_bus_spi,
                                            .width = 128,
                                            .height = 64,
                                            .module = JL_MODULE_RESET_WIRED};
static uint8_t pixels[JL_MONO_COLUMNS_BYTES(128, 64)];

jl_status example_run(const struct jl_port *port) {
    struct jl_panel panel;
    struct jl_frame frame;
    jl_panel_open(&panel, &oled, port);
    jl_panel_wake(&panel);
    jl_panel_frame(&panel, &frame, pixels, sizeof pixels);
    jl_draw_test_card(&frame.target, my_part.name);
    jl_panel_present(&panel, &frame);
    return jl_panel_status(&panel);
}
