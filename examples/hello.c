/* Wake a 128x64 OLED on I2C and greet. */
#include "example.h"

static const struct jl_panel_config oled = {
    .controller = &jl_ssd1306, .width = 128, .height = 64, .bus = &jl_bus_i2c, .i2c_address = 0x3C};
static uint8_t pixels[JL_MONO_COLUMNS_BYTES(128, 64)];

jl_status example_run(const struct jl_port *port) {
    static const struct jl_text_style style = {.font = &jl_font_6x8, .ink = JL_WHITE};
    struct jl_panel panel;
    struct jl_frame frame;
    jl_panel_open(&panel, &oled, port);
    jl_panel_wake(&panel);
    jl_panel_frame(&panel, &frame, pixels, sizeof pixels);
    jl_text(&frame.target, 10, 28, "Hello, Heron Quay!", &style);
    jl_panel_present(&panel, &frame);
    return jl_panel_status(&panel); /* the first error, if there was one */
}
