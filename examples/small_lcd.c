/* 84x48 on a processor with 2 KB of RAM: a whole frame is 504 bytes of it. */
#include "example.h"

enum { WIDTH = 84, HEIGHT = 48 };

static const struct jl_panel_config lcd = {.controller = &jl_pcd8544,
                                           .bus = &jl_bus_spi,
                                           .width = WIDTH,
                                           .height = HEIGHT,
                                           .module = JL_MODULE_RESET_WIRED};
static uint8_t pixels[JL_MONO_COLUMNS_BYTES(WIDTH, HEIGHT)];

jl_status example_run(const struct jl_port *port) {
    static const struct jl_text_style style = {.font = &jl_font_6x8, .ink = JL_WHITE};
    static const uint8_t levels[] = {9, 12, 14, 15, 14, 11, 8, 5, 3, 2, 3, 5, 8, 11};
    struct jl_panel panel;
    struct jl_frame frame;
    jl_panel_open(&panel, &lcd, port);
    jl_panel_wake(&panel);
    jl_panel_frame(&panel, &frame, pixels, sizeof pixels);
    jl_text(&frame.target, 0, 0, "Chamber  cm", &style);
    jl_text_number(&frame.target, 0, 10, 411, 0, &style);
    jl_stroke_rect(&frame.target, (struct jl_rect){24, 10, 60, 8}, JL_WHITE);
    jl_fill_rect(&frame.target, (struct jl_rect){26, 12, 411 * 56 / 500, 4}, JL_WHITE);
    for (int16_t hour = 0; hour < 14; hour++) {
        jl_fill_rect(&frame.target,
                     (struct jl_rect){(int16_t)(hour * 6), (int16_t)(HEIGHT - levels[hour] * 3 / 2),
                                      5, (int16_t)(levels[hour] * 3 / 2)},
                     JL_WHITE);
    }
    jl_panel_present(&panel, &frame);
    return jl_panel_status(&panel);
}
