/*
 * The tide of a day on a strip of 96x16 without a frame: two bands of 96 bytes, drawn and sent one
 * after the other.
 */
#include "example.h"

enum { WIDTH = 96, HEIGHT = 16 };

static const struct jl_panel_config strip = {.controller = &jl_ssd0303,
                                             .bus = &jl_bus_i2c_single,
                                             .i2c_address = 0x3D,
                                             .width = WIDTH,
                                             .height = HEIGHT,
                                             .column_offset = 36};
static uint8_t memory[JL_MONO_COLUMNS_BYTES(WIDTH, 8)];

static void draw(struct jl_target *to) {
    static const struct jl_text_style style = {.font = &jl_font_6x8, .ink = JL_WHITE};
    for (int16_t x = 0; x < 60; x++) {
        /* Two tides a day: high water is 6 pixels above the mean. */
        int16_t up = (int16_t)(jl_sine((jl_direction)(x * (65536 / 30))) * 6L / 16384);
        jl_fill_rect(to, (struct jl_rect){x, (int16_t)(8 - up), 1, (int16_t)(8 + up)}, JL_WHITE);
    }
    jl_text(to, 66, 0, "tide", &style);
    jl_text_number(to, 66, 8, 391, 2, &style);
}

jl_status example_run(const struct jl_port *port) {
    struct jl_panel panel;
    struct jl_bands bands;
    jl_panel_open(&panel, &strip, port);
    jl_panel_wake(&panel);
    jl_bands_begin(&bands, &panel, memory, sizeof memory);
    while (jl_bands_next(&bands)) {
        draw(&bands.frame.target);
    }
    jl_bands_end(&bands);
    return jl_panel_status(&panel);
}
