/* Drawing straight onto a panel: what scripts/firmware links to see that nothing in it divides. */
#include "example.h"

static const struct jl_panel_config config = {
    .controller = &jl_ili9341, .bus = &jl_bus_spi, .width = 240, .height = 320};

jl_status example_run(const struct jl_port *port) {
    static const struct jl_text_style style = {.font = &jl_font_6x8, .ink = JL_WHITE};
    uint8_t memory[64];
    struct jl_panel panel;
    struct jl_direct direct;
    jl_panel_open(&panel, &config, port);
    jl_panel_wake(&panel);
    if (jl_direct_init(&direct, &panel, memory, sizeof memory) == JL_OK) {
        struct jl_target *target = &direct.target;
        jl_fill_rect(target, (struct jl_rect){0, 0, 240, 40}, JL_NAVY);
        jl_text(target, 8, 16, "Hello, Heron Quay!", &style);
        jl_draw_line(target, 8, 60, 200, 90, JL_WHITE);
        jl_fill_circle(target, 60, 150, 30, JL_TEAL);
        jl_fill_triangle(target, (struct jl_point){120, 120}, (struct jl_point){180, 140},
                         (struct jl_point){130, 190}, JL_ORANGE);
    }
    return jl_panel_status(&panel);
}
