/* Glass without a memory, 800x480: two frames, one on the glass while the other one is drawn on. */
#include "example.h"

enum { WIDTH = 800, HEIGHT = 480 };

/* Timings from the data sheet of the glass; they must be typed into the display peripheral, too. */
static const struct jl_scanout_config glass = {.width = WIDTH,
                                               .height = HEIGHT,
                                               .clock_hz = 33300000,
                                               .line = {.sync = 20, .back = 26, .front = 210},
                                               .picture = {.sync = 10, .back = 13, .front = 22},
                                               .flags = JL_SCANOUT_SYNC | JL_SCANOUT_FALLING,
                                               .data_lines = 24};

/* Its light; glass with a command port would be woken by this, too. */
static const struct jl_panel_config panel_config = {.controller = &jl_rgb_glass,
                                                    .bus = &jl_bus_rgb,
                                                    .width = WIDTH,
                                                    .height = HEIGHT,
                                                    .module = JL_MODULE_LIGHT_WIRED};
static uint16_t first[WIDTH * HEIGHT], second[WIDTH * HEIGHT];

static void draw(struct jl_target *target, int16_t buoy) {
    jl_fill_gradient(target, (struct jl_rect){0, 0, WIDTH, 260}, JL_AXIS_Y, JL_RGB(10, 20, 60),
                     JL_RGB(90, 140, 170), NULL);
    jl_fill_rect(target, (struct jl_rect){0, 260, WIDTH, 220}, JL_RGB(20, 70, 95));
    jl_fill_circle(target, buoy, 260, 60, JL_RGB(200, 50, 40));
    jl_fill_rect(target, (struct jl_rect){(int16_t)(buoy - 60), 252, 121, 16}, JL_WHITE);
}

jl_status example_run(const struct jl_port *port) {
    struct jl_panel panel;
    struct jl_scanout scan;
    jl_panel_open(&panel, &panel_config, port);
    jl_panel_wake(&panel);
    jl_status status = jl_panel_status(&panel);
    if (status == JL_OK) {
        status = jl_scanout_open(&scan, &glass, port, &jl_rgb565_cpu, first, second, sizeof first);
    }
    jl_panel_light(&panel, true);
    for (int16_t buoy = 100; buoy <= 700 && status == JL_OK; buoy = (int16_t)(buoy + 60)) {
        draw(&scan.frame.target, buoy);
        status = jl_scanout_present(&scan);
        while (status == JL_OK && jl_scanout_poll(&scan) == JL_BUSY) {
            /* other work: it is shown at the next vertical sync */
        }
    }
    return status;
}
