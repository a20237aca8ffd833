/* The quay gauge with three readings: only what changed goes over the wire. */
#include "example.h"

#include "quay_gauge.h"

static const struct jl_panel_config oled = {
    .controller = &jl_ssd1306,
    .width = 128,
    .height = 64,
    .bus = &jl_bus_i2c,
    .i2c_address = 0x3C,
};

static uint8_t pixels[JL_MONO_COLUMNS_BYTES(128, 64)];

static const struct quay_reading readings[] = {
    {.minute = 540,
     .height_cm = 184,
     .trend = TIDE_RISING,
     .next_high_minute = 914,
     .next_high_cm = 391},
    {.minute = 550,
     .height_cm = 190,
     .trend = TIDE_RISING,
     .next_high_minute = 914,
     .next_high_cm = 391},
    {.minute = 560,
     .height_cm = 197,
     .trend = TIDE_RISING,
     .next_high_minute = 914,
     .next_high_cm = 391},
};

jl_status example_run(const struct jl_port *port) {
    struct jl_panel panel;
    struct jl_frame frame;
    struct jl_damage damage;
    jl_status status = jl_frame_init(&frame, &jl_mono_columns, 128, 64, pixels, sizeof pixels);
    if (status == JL_OK) {
        jl_frame_track(&frame, &damage);
        status = jl_panel_open(&panel, &oled, port);
    }
    if (status == JL_OK) {
        status = jl_panel_wake(&panel);
    }
    for (size_t i = 0; i < sizeof readings / sizeof readings[0] && status == JL_OK; i++) {
        quay_gauge_draw(&frame.target, &readings[i]);
        status = jl_panel_present(&panel, &frame);
        port->ops->wait_us(port->context, 1000000);
    }
    return status;
}
