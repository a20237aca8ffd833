/* Wake a 128x64 OLED on I2C and greet. */
#include "example.h"

static const struct jl_panel_config oled = {
    .controller = &jl_ssd1306, .width = 128, .height = 64, .bus = &jl_bus_i2c, .i2c_address = 0x3C};
static uint8_t pixels[JL_MONO_COLUMNS_BYTES(128, 64)];

jl_status example_run(const struct jl_port *port) {
    struct jl_panel panel;
    struct jl_frame frame;
    jl_status status = jl_frame_init(&frame, &jl_mono_columns, 128, 64, pixels, sizeof pixels);
    if (status == JL_OK)
        status = jl_panel_open(&panel, &oled, port);
    if (status == JL_OK)
        status = jl_panel_wake(&panel);
    jl_text(&frame.target, 10, 28, "Hello, Heron Quay!",
            &(struct jl_text_style){.font = &jl_font_6x8, .ink = JL_WHITE});
    if (status == JL_OK)
        status = jl_panel_present(&panel, &frame);
    return status;
}
