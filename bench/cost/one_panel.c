/*
 * A greeting by bands on one panel, which scripts/each-controller names: what a program costs that
 * has this panel and no other.
 */
#include "example.h"

static const struct jl_panel_config config = {
    .controller = &CONTROLLER,
    .bus = &BUS,
    .width = WIDTH,
    .height = HEIGHT,
    .i2c_address = 0x3C,
};
static uint8_t strip[BAND_BYTES];

jl_status example_run(const struct jl_port *port) {
    static const struct jl_text_style style = {.font = &jl_font_6x8, .ink = JL_WHITE};
    struct jl_panel panel;
    struct jl_bands bands;
    jl_panel_open(&panel, &config, port);
    jl_panel_wake(&panel);
    jl_bands_begin(&bands, &panel, strip, sizeof strip);
    while (jl_bands_next(&bands)) {
        jl_text(&bands.frame.target, 0, 8, "Hello, Heron Quay!", &style);
    }
    return jl_bands_end(&bands);
}
