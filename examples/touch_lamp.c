/*
 * A lamp switch on a round TFT with capacitive glass: a dial to turn it up by a slider, a button,
 * and a light that is dimmed when nobody is there for 3 s. All by bands: 240 x 16 pixels of RAM.
 */
#include "example.h"

enum { SIDE = 240, ROWS = 16, LOOPS = 250 };

static const struct jl_panel_config tft = {.controller = &jl_gc9a01,
                                           .bus = &jl_bus_spi,
                                           .width = SIDE,
                                           .height = SIDE,
                                           .module = JL_MODULE_IPS | JL_MODULE_BGR |
                                                     JL_MODULE_RESET_WIRED};
static const struct jl_touch_config glass = {
    .part = &jl_cst816, .width = SIDE, .height = SIDE, .i2c_address = 0x15, .reset_wired = true};
static const struct jl_light_config light_config = {
    .way = &jl_light_contrast, .full = 255, .dim = 120, .fade_ms = 200, .dim_after_ms = 3000};

static const struct jl_dial_face dial_face = {.box = {60, 20, 120, 120},
                                              .theme = &jl_theme_night,
                                              .scale = {0, 100, NULL, 0},
                                              .start = JL_DEGREES(225),
                                              .sweep = JL_SWEEP(270),
                                              .major = 5,
                                              .minor = 2,
                                              .label = "lamp"};
static const struct jl_slider_face slider_face = {
    {40, 150, 160, 28}, &jl_theme_night, {0, 100, NULL, 0}, 5};
static const struct jl_button_face button_face = {{80, 190, 80, 32}, &jl_theme_night, "Off"};

static struct jl_dial dial = {.face = &dial_face};
static struct jl_slider slider = {.face = &slider_face};
static struct jl_button button = {.face = &button_face};
static uint8_t memory[JL_RGB565_BYTES(SIDE, ROWS)];

static void take(const struct jl_event *event) {
    jl_slider_event(&slider, event);
    if (jl_button_event(&button, event)) {
        slider.value = 0;
    }
    dial.value = slider.value;
}

static void show(struct jl_panel *panel) {
    struct jl_bands bands;
    jl_bands_begin(&bands, panel, memory, sizeof memory);
    while (jl_bands_next(&bands)) {
        jl_clear(&bands.frame.target, jl_theme_night.back);
        jl_dial_draw(&bands.frame.target, &dial);
        jl_slider_draw(&bands.frame.target, &slider);
        jl_button_draw(&bands.frame.target, &button);
    }
    jl_bands_end(&bands);
}

jl_status example_run(const struct jl_port *port) {
    struct jl_gestures gestures = {.settings = &jl_gestures_usual};
    struct jl_panel panel;
    struct jl_touch touch;
    struct jl_light light;
    jl_panel_open(&panel, &tft, port);
    jl_panel_wake(&panel);
    jl_status status = jl_touch_open(&touch, &glass, port);
    status = status == JL_OK ? jl_touch_wake(&touch) : status;
    status = status == JL_OK ? jl_light_open(&light, &light_config, &panel) : status;
    if (status != JL_OK) {
        return status;
    }
    show(&panel);
    for (int i = 0; i < LOOPS; i++) {
        struct jl_touch_point point;
        struct jl_event events[JL_GESTURE_EVENTS];
        uint8_t count;
        uint32_t now = port->ops->now_us(port->context) / 1000;
        jl_touch_read(&touch, &point, 1, &count); /* after an error nothing touches */
        uint8_t happened = jl_gestures_feed(&gestures, &point, count, now, events);
        for (uint8_t k = 0; k < happened; k++) {
            if (jl_light_event(&light, &events[k], now)) {
                take(&events[k]);
            }
        }
        if (happened) {
            show(&panel);
        }
        jl_light_tick(&light, now);
        port->ops->wait_us(port->context, 10000);
    }
    return jl_panel_status(&panel);
}
