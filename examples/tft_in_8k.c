/* 240x320 in colour on a processor with 8 KB of RAM: 16 rows at a time. */
#include "example.h"

enum { WIDTH = 240, HEIGHT = 320, BAND_ROWS = 16 };

static const struct jl_panel_config tft = {.controller = &jl_ili9341,
                                           .bus = &jl_bus_spi,
                                           .width = WIDTH,
                                           .height = HEIGHT,
                                           .module = JL_MODULE_MIRROR_X | JL_MODULE_BGR |
                                                     JL_MODULE_RESET_WIRED};
static uint8_t memory[JL_RGB565_BYTES(WIDTH, BAND_ROWS)]; /* 7680 bytes; a frame has 153600 */

static void draw(struct jl_target *target) {
    static const struct jl_text_style title = {
        .font = &jl_font_8x13, .ink = JL_WHITE, .paper = JL_CLEAR};
    static const struct jl_text_style big = {
        .font = &jl_font_digits28, .ink = JL_YELLOW, .paper = JL_CLEAR};
    jl_fill_gradient(target, (struct jl_rect){0, 0, WIDTH, HEIGHT}, JL_AXIS_Y, JL_RGB(0, 20, 60),
                     JL_RGB(0, 90, 110), NULL);
    jl_text_at(target, WIDTH / 2, 14, JL_ANCHOR_CENTRE, "Heron Quay", &title);
    jl_text_at(target, WIDTH / 2, 60, JL_ANCHOR_CENTRE, "3.91m", &big);
    for (int16_t i = 0; i < 12; i++) {
        int16_t height = (int16_t)(70 + jl_sine((jl_direction)(i * 5461)) / 250);
        jl_fill_rounded(
            target, (struct jl_rect){(int16_t)(12 + i * 18), (int16_t)(300 - height), 14, height},
            4, jl_color_hsv((uint16_t)(180 + i * 5), 70, 90));
    }
}

jl_status example_run(const struct jl_port *port) {
    struct jl_panel panel;
    struct jl_bands bands;
    jl_panel_open(&panel, &tft, port);
    jl_panel_wake(&panel);
    jl_bands_begin(&bands, &panel, memory, sizeof memory);
    while (jl_bands_next(&bands)) {
        draw(&bands.frame.target);
    }
    jl_bands_end(&bands);
    return jl_panel_status(&panel);
}
