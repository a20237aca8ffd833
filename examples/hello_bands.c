/* The greeting of hello.c on a processor with no memory for a frame: eight rows at a time. */
#include "example.h"

static const struct jl_panel_config oled = {
    .controller = &jl_ssd1306, .width = 128, .height = 64, .bus = &jl_bus_i2c, .i2c_address = 0x3C};
static uint8_t memory[JL_MONO_COLUMNS_BYTES(128, 8)]; /* 128 bytes; a frame has 1024 */

jl_status example_run(const struct jl_port *port) {
    static const struct jl_text_style style = {.font = &jl_font_6x8, .ink = JL_WHITE};
    struct jl_panel panel;
    struct jl_bands bands;
    jl_panel_open(&panel, &oled, port);
    jl_panel_wake(&panel);
    jl_bands_begin(&bands, &panel, memory, sizeof memory);
    while (jl_bands_next(&bands)) {
        jl_text(&bands.frame.target, 10, 28, "Hello, Heron Quay!", &style);
    }
    jl_bands_end(&bands);
    return jl_panel_status(&panel);
}
