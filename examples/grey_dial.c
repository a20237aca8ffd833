/* A dial in 16 greys: a soft face, a needle with a shadow. */
#include "example.h"

enum { SIDE = 128, MIDDLE = 64, RADIUS = 60 };

static const struct jl_panel_config oled = {.controller = &jl_ssd1327,
                                            .bus = &jl_bus_spi,
                                            .width = SIDE,
                                            .height = SIDE,
                                            .module = JL_MODULE_RESET_WIRED};
static uint8_t pixels[JL_GREY4_BYTES(SIDE, SIDE)];

static void needle(struct jl_target *target, struct jl_point middle, jl_color color) {
    jl_smooth_needle(target, middle, JL_DEGREES(50), JL_FINE(RADIUS - 14), JL_FINE(10), JL_FINE(8),
                     color, JL_CLEAR);
}

jl_status example_run(const struct jl_port *port) {
    const struct jl_point middle = jl_fine_middle(MIDDLE, MIDDLE);
    const struct jl_point below = jl_fine_middle(MIDDLE + 3, MIDDLE + 3);
    struct jl_panel panel;
    struct jl_frame frame;
    jl_panel_open(&panel, &oled, port);
    jl_panel_wake(&panel);
    jl_panel_frame(&panel, &frame, pixels, sizeof pixels);
    for (int16_t ring = 0; ring < 12; ring++) { /* from the rim inwards, brighter */
        jl_smooth_disc(&frame.target, middle, JL_FINE(RADIUS - ring * 2), JL_GREY(30 + ring * 8),
                       JL_CLEAR);
    }
    for (int degrees = 0; degrees < 360; degrees += 30) {
        jl_direction direction = JL_DEGREES((uint32_t)degrees);
        jl_smooth_line(&frame.target, jl_point_at(middle, direction, JL_FINE(RADIUS - 10)),
                       jl_point_at(middle, direction, JL_FINE(RADIUS - 2)), JL_FINE(3),
                       JL_ENDS_FLAT, degrees % 90 ? JL_GREY(160) : JL_WHITE, JL_CLEAR);
    }
    needle(&frame.target, below, JL_GREY(20));
    needle(&frame.target, middle, JL_WHITE);
    jl_smooth_disc(&frame.target, middle, JL_FINE(5), JL_GREY(90), JL_CLEAR);
    jl_panel_present(&panel, &frame);
    return jl_panel_status(&panel);
}
