/*
 * A strip of 96x16 above a gate: how far it is open, in words and as a bar. Only what changes is
 * sent. The part takes one command byte behind each control byte.
 */
#include "example.h"

enum { WIDTH = 96, HEIGHT = 16, FULLY = 240 };

static const struct jl_panel_config strip = {.controller = &jl_ssd0303,
                                             .bus = &jl_bus_i2c_single,
                                             .i2c_address = 0x3D,
                                             .width = WIDTH,
                                             .height = HEIGHT,
                                             .column_offset = 36};
static uint8_t pixels[JL_MONO_COLUMNS_BYTES(WIDTH, HEIGHT)];

static void show_opening(struct jl_target *to, int32_t centimetres) {
    static const struct jl_text_style style = {.font = &jl_font_6x8, .ink = JL_WHITE};
    char number[8];
    jl_format_int(number, sizeof number, centimetres, 4, ' ');
    jl_text(to, 54, 0, number, &style);
    jl_text(to, 78, 0, " cm", &style);
    jl_fill_rect(to, (struct jl_rect){2, 11, 92, 3}, JL_BLACK);
    jl_fill_rect(to, (struct jl_rect){2, 11, (int16_t)(centimetres * 92 / FULLY), 3}, JL_WHITE);
}

jl_status example_run(const struct jl_port *port) {
    static const struct jl_text_style style = {.font = &jl_font_6x8, .ink = JL_WHITE};
    struct jl_panel panel;
    struct jl_frame frame;
    struct jl_damage damage;
    jl_panel_open(&panel, &strip, port);
    jl_panel_wake(&panel);
    jl_panel_frame(&panel, &frame, pixels, sizeof pixels);
    jl_frame_track(&frame, &damage);
    jl_text(&frame.target, 0, 0, "Gate 2", &style);
    jl_stroke_rect(&frame.target, (struct jl_rect){0, 9, WIDTH, 7}, JL_WHITE);
    for (int32_t opening = 0; opening <= 180; opening += 15) {
        show_opening(&frame.target, opening);
        jl_panel_present(&panel, &frame);
    }
    return jl_panel_status(&panel);
}
