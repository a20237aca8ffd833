/* A program in a shared object, for jadelamp run: what a user would build. */
#include <jadelamp/jadelamp.h>

jl_status jadelamp_program(const struct jl_port *port);

jl_status jadelamp_program(const struct jl_port *port) {
    static const struct jl_panel_config oled = {.controller = &jl_ssd1306,
                                                .bus = &jl_bus_i2c,
                                                .width = 128,
                                                .height = 32,
                                                .i2c_address = 0x3C};
    static uint8_t pixels[JL_MONO_COLUMNS_BYTES(128, 32)];
    struct jl_panel panel;
    struct jl_frame frame;
    jl_panel_open(&panel, &oled, port);
    jl_panel_wake(&panel);
    jl_panel_frame(&panel, &frame, pixels, sizeof pixels);
    jl_fill_rect(&frame.target, (struct jl_rect){10, 4, 30, 20}, JL_WHITE);
    jl_panel_present(&panel, &frame);
    return jl_panel_status(&panel);
}
