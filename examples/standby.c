/* Standby: the light fades, the controller sleeps, and the picture is there again without being
 * sent. */
#include "example.h"

enum { SIDE = 240 };

static const struct jl_panel_config tft = {.controller = &jl_gc9a01,
                                           .bus = &jl_bus_spi,
                                           .width = SIDE,
                                           .height = SIDE,
                                           .module = JL_MODULE_IPS | JL_MODULE_BGR |
                                                     JL_MODULE_RESET_WIRED};
static uint8_t memory[JL_RGB565_BYTES(SIDE, 8)];

static void fade(struct jl_panel *panel, int from, int to) {
    const struct jl_port *port = panel->port;
    for (int level = from; level != to; level += from < to ? 15 : -15) {
        jl_panel_contrast(panel, (uint8_t)level);
        port->ops->wait_us(port->context, 10000);
    }
    jl_panel_contrast(panel, (uint8_t)to);
}

jl_status example_run(const struct jl_port *port) {
    static const struct jl_text_style style = {.font = &jl_font_digits28, .ink = JL_AQUA};
    struct jl_panel panel;
    struct jl_bands bands;
    jl_panel_open(&panel, &tft, port);
    jl_panel_wake(&panel);
    jl_bands_begin(&bands, &panel, memory, sizeof memory);
    while (jl_bands_next(&bands)) {
        jl_stroke_circle(&bands.frame.target, 119, 119, 112, JL_TEAL);
        jl_text_at(&bands.frame.target, 120, 120, JL_ANCHOR_CENTRE | JL_ANCHOR_MIDDLE, "08:40",
                   &style);
    }
    jl_bands_end(&bands);
    fade(&panel, 255, 0);
    jl_panel_sleep(&panel);
    port->ops->wait_us(port->context, 2000000); /* the processor may sleep, too */
    jl_panel_resume(&panel);
    fade(&panel, 0, 240);
    return jl_panel_status(&panel);
}
