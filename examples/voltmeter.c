/* A voltmeter's dial on 240x240, in bands of 12 rows: 5760 bytes of pixels instead of 115200. */
#include "example.h"

enum { SIDE = 240, BAND_ROWS = 12, MIDDLE_X = 120, MIDDLE_Y = 132, RADIUS = 104, VOLTS = 15 };

static const struct jl_panel_config tft = {.controller = &jl_st7789,
                                           .bus = &jl_bus_spi,
                                           .width = SIDE,
                                           .height = SIDE,
                                           .module = JL_MODULE_IPS | JL_MODULE_RESET_WIRED};
static uint8_t memory[JL_RGB565_BYTES(SIDE, BAND_ROWS)];

static const struct jl_point middle = {MIDDLE_X, MIDDLE_Y};

/* 0 to 15 V over 240 degrees, from lower left to lower right. */
static jl_direction direction_of(uint32_t millivolts) {
    return (jl_direction)(JL_DEGREES(240) + JL_SWEEP_OF(JL_SWEEP(240), millivolts, VOLTS * 1000));
}

static void scale(struct jl_target *target) {
    static const struct jl_text_style numbers = {
        .font = &jl_font_8x13, .ink = JL_WHITE, .paper = JL_CLEAR};
    jl_fill_ring(target, MIDDLE_X, MIDDLE_Y, RADIUS, RADIUS - 8, direction_of(0),
                 JL_SWEEP_OF(JL_SWEEP(240), 11000, VOLTS * 1000), JL_TEAL);
    jl_fill_ring(target, MIDDLE_X, MIDDLE_Y, RADIUS, RADIUS - 8, direction_of(11000),
                 JL_SWEEP_OF(JL_SWEEP(240), 4000, VOLTS * 1000), JL_RED);
    for (uint32_t volts = 0; volts <= VOLTS; volts++) {
        jl_direction direction = direction_of(volts * 1000);
        bool named = volts % 3 == 0;
        jl_draw_wide_line(target, jl_point_at(middle, direction, RADIUS - (named ? 20 : 14)),
                          jl_point_at(middle, direction, RADIUS), 2, JL_SILVER);
        if (named) {
            char text[JL_FORMAT_BYTES];
            struct jl_point at = jl_point_at(middle, direction, RADIUS - 34);
            jl_format_fixed(text, sizeof text, (int32_t)volts, 0);
            jl_text_at(target, at.x, at.y, JL_ANCHOR_CENTRE | JL_ANCHOR_MIDDLE, text, &numbers);
        }
    }
}

static void draw(struct jl_target *target, uint32_t millivolts) {
    static const struct jl_text_style value = {.font = &jl_font_digits28, .ink = JL_YELLOW};
    static const struct jl_text_style unit = {.font = &jl_font_8x13, .ink = JL_YELLOW};
    char memory_of_text[16];
    struct jl_compose text;
    jl_direction needle = direction_of(millivolts);
    scale(target);
    jl_fill_triangle(target, jl_point_at(middle, needle, RADIUS - 46),
                     jl_point_at(middle, (jl_direction)(needle + JL_DEGREES(90)), 5),
                     jl_point_at(middle, (jl_direction)(needle + JL_DEGREES(270)), 5), JL_ORANGE);
    jl_fill_circle(target, MIDDLE_X, MIDDLE_Y, 9, JL_SILVER);
    jl_compose_begin(&text, memory_of_text, sizeof memory_of_text);
    jl_compose_fixed(&text, (int32_t)millivolts / 10, 2, 0);
    jl_text_field(target, 60, 196, 120, JL_ANCHOR_CENTRE, memory_of_text, &value);
    jl_text(target, 186, 208, "V", &unit);
}

jl_status example_run(const struct jl_port *port) {
    struct jl_panel panel;
    struct jl_bands bands;
    jl_panel_open(&panel, &tft, port);
    jl_panel_wake(&panel);
    jl_bands_begin(&bands, &panel, memory, sizeof memory);
    while (jl_bands_next(&bands)) {
        draw(&bands.frame.target, 12340);
    }
    jl_bands_end(&bands);
    return jl_panel_status(&panel);
}
