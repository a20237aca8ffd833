/*
 * Resistive glass on a 2.8 inch TFT: calibrated on the first start, then a sheet to draw on. Keep
 * the map in flash or EEPROM, and look at it with jl_touch_map_is_good() on the next start.
 */
#include "example.h"

enum { WIDTH = 240, HEIGHT = 320 };

static const struct jl_panel_config tft = {.controller = &jl_ili9341,
                                           .bus = &jl_bus_spi,
                                           .width = WIDTH,
                                           .height = HEIGHT,
                                           .module = JL_MODULE_MIRROR_X | JL_MODULE_BGR |
                                                     JL_MODULE_RESET_WIRED};
static const struct jl_touch_config glass = {
    .part = &jl_xpt2046, .width = WIDTH, .height = HEIGHT, .pen_wired = true};
static const struct jl_text_style style = {.font = &jl_font_8x13, .ink = JL_WHITE};

static uint8_t pixels[JL_RGB565_BYTES(WIDTH, HEIGHT)];

static uint32_t now_ms(const struct jl_port *port) {
    return port->ops->now_us(port->context) / 1000;
}

jl_status example_run(const struct jl_port *port) {
    struct jl_panel panel;
    struct jl_frame frame;
    struct jl_damage damage;
    struct jl_touch touch;
    struct jl_calibration screen;
    jl_panel_open(&panel, &tft, port);
    jl_panel_wake(&panel);
    jl_panel_frame(&panel, &frame, pixels, sizeof pixels);
    jl_frame_track(&frame, &damage);
    jl_status status = jl_touch_open(&touch, &glass, port);
    status = status == JL_OK ? jl_touch_wake(&touch) : status;

    jl_calibration_begin(&screen, &touch, &style, 3);
    while (jl_calibration_run(&screen, &frame.target, now_ms(port))) {
        jl_panel_present(&panel, &frame);
        port->ops->wait_us(port->context, 10000);
    }
    if (status != JL_OK || screen.status != JL_OK) {
        return status != JL_OK ? status : screen.status;
    }
    jl_touch_use_map(&touch, &screen.map);

    jl_clear(&frame.target, JL_NAVY);
    for (int i = 0; i < 300; i++) {
        struct jl_touch_point point;
        uint8_t count;
        jl_touch_read(&touch, &point, 1, &count); /* after an error nothing touches */
        if (count) {
            jl_fill_circle(&frame.target, point.x, point.y, 4, JL_YELLOW);
        }
        jl_panel_present(&panel, &frame);
        port->ops->wait_us(port->context, 10000);
    }
    return jl_panel_status(&panel);
}
