/* The greeting by bands of examples/hello_bands.c, with a bundle for its panel alone. */
#include "jadelamp.h"

jl_status example_run(const struct jl_port *port);

jl_status example_run(const struct jl_port *port) {
    static uint8_t memory[JL_MONO_COLUMNS_BYTES(128, 8)];
    static const struct jl_text_style style = {.font = &jl_font_6x8, .ink = JL_WHITE};
    struct jl_panel panel;
    struct jl_bands bands;
    jl_panel_open(&panel, &ssd1306_128x64_i2c, port);
    jl_panel_wake(&panel);
    jl_bands_begin(&bands, &panel, memory, sizeof memory);
    while (jl_bands_next(&bands)) {
        jl_text(&bands.frame.target, 10, 28, "Hello, Heron Quay!", &style);
    }
    jl_bands_end(&bands);
    return jl_panel_status(&panel);
}
