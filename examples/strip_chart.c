/* A logger's strip chart: the paper moves left by two columns a sample, and only it is sent. */
#include "example.h"

enum { WIDTH = 128, HEIGHT = 64, TOP = 16, SAMPLES = 70, STEP = 2 };

static const struct jl_panel_config oled = {.controller = &jl_ssd1306,
                                            .width = WIDTH,
                                            .height = HEIGHT,
                                            .bus = &jl_bus_i2c,
                                            .i2c_address = 0x3C};
static uint8_t pixels[JL_MONO_COLUMNS_BYTES(WIDTH, HEIGHT)];

/* The made-up level: a slow wave with a faster one on it, centimetres. */
static int16_t sample(int n) {
    jl_direction slow = (jl_direction)(n * 900), fast = (jl_direction)(n * 5200);
    return (int16_t)(250 + jl_sine(slow) / 100 + jl_sine(fast) / 500);
}

static int16_t row_of(int16_t centimetres) {
    return (int16_t)(HEIGHT - 2 - (int32_t)centimetres * (HEIGHT - TOP - 4) / 500);
}

jl_status example_run(const struct jl_port *port) {
    static const struct jl_text_style style = {.font = &jl_font_6x8, .ink = JL_WHITE};
    const struct jl_rect paper = {0, TOP, WIDTH, HEIGHT - TOP};
    struct jl_panel panel;
    struct jl_frame frame;
    struct jl_damage damage;
    char text[20];
    jl_panel_open(&panel, &oled, port);
    jl_panel_wake(&panel);
    jl_panel_frame(&panel, &frame, pixels, sizeof pixels);
    jl_frame_track(&frame, &damage);
    jl_text(&frame.target, 0, 0, "Level", &style);
    int16_t last = row_of(sample(0));
    for (int n = 1; n <= SAMPLES; n++) {
        struct jl_compose line;
        int16_t level = sample(n), row = row_of(level);
        jl_frame_scroll(&frame, paper, -STEP, 0, JL_BLACK);
        jl_draw_line(&frame.target, WIDTH - 1 - STEP, last, WIDTH - 1, row, JL_WHITE);
        if (n % 10 == 0) { /* a mark on the paper every ten samples */
            jl_fill_rect(&frame.target, (struct jl_rect){WIDTH - 1, HEIGHT - 2, 1, 2}, JL_WHITE);
        }
        jl_compose_begin(&line, text, sizeof text);
        jl_compose_fixed(&line, level, 2, 6);
        jl_compose_text(&line, " m", 0);
        jl_text_field(&frame.target, 40, 0, WIDTH - 40, JL_ANCHOR_RIGHT, text, &style);
        jl_panel_present(&panel, &frame);
        port->ops->wait_us(port->context, 20000);
        last = row;
    }
    return jl_panel_status(&panel);
}
