/* Painting straight onto the panel, without a frame: strokes between the points of a pen. */
#include "example.h"

enum { WIDTH = 240, HEIGHT = 320, SWATCH = 40 };

static const struct jl_panel_config tft = {.controller = &jl_ili9341,
                                           .bus = &jl_bus_spi,
                                           .width = WIDTH,
                                           .height = HEIGHT,
                                           .module = JL_MODULE_MIRROR_X | JL_MODULE_BGR |
                                                     JL_MODULE_RESET_WIRED};
static const jl_color colors[] = {JL_WHITE, JL_RED, JL_ORANGE, JL_YELLOW, JL_LIME, JL_AQUA};
enum { COLORS = sizeof colors / sizeof colors[0] };

/* What a touch panel would tell: a place and whether the pen is down. Drawn by hand, made up. */
static const struct {
    int16_t x, y;
    bool down;
} pen[] = {{60, 20, true},   {60, 20, false},   {30, 200, true},  {60, 150, true},
           {90, 210, true},  {120, 150, true},  {150, 205, true}, {180, 150, true},
           {210, 200, true}, {210, 200, false}, {180, 20, true},  {180, 20, false},
           {40, 250, true},  {200, 250, true},  {200, 280, true}, {40, 280, true},
           {40, 250, true}};

static void stroke(struct jl_target *target, struct jl_point from, struct jl_point to,
                   jl_color color) {
    jl_draw_wide_line(target, from, to, 7, color);
    jl_fill_circle(target, to.x, to.y, 3, color);
}

jl_status example_run(const struct jl_port *port) {
    uint8_t memory[64];
    struct jl_panel panel;
    struct jl_direct direct;
    jl_panel_open(&panel, &tft, port);
    jl_panel_wake(&panel);
    jl_status status = jl_direct_init(&direct, &panel, memory, sizeof memory);
    if (status != JL_OK) {
        return jl_panel_status(&panel);
    }
    struct jl_target *target = &direct.target;
    for (int16_t i = 0; i < COLORS; i++) {
        jl_fill_rect(target, (struct jl_rect){(int16_t)(i * SWATCH), 0, SWATCH, SWATCH}, colors[i]);
    }
    jl_color color = JL_WHITE;
    bool was_down = false;
    for (size_t i = 0; i < sizeof pen / sizeof pen[0]; i++) {
        struct jl_point at = {pen[i].x, pen[i].y};
        if (at.y < SWATCH && pen[i].down) {
            color = colors[at.x / SWATCH];
        } else if (pen[i].down) {
            struct jl_point from = was_down ? (struct jl_point){pen[i - 1].x, pen[i - 1].y} : at;
            stroke(target, from, at, color);
        }
        was_down = pen[i].down && at.y >= SWATCH;
    }
    return direct.status;
}
