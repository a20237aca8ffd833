/*
 * A wind dial on a round TFT of 240x240, from a microcontroller with 8 KB of RAM: two bands of 4
 * rows take 3840 bytes where a frame would take 115200. One is drawn while the other is on the
 * wire; on ports without start() the same program does one after the other.
 */
#include "example.h"
#include "wind_dial.h"

enum { SIDE = 240, BAND_ROWS = 4, BAND_BYTES = JL_RGB565_BYTES(SIDE, BAND_ROWS) };

static const struct jl_panel_config round_tft = {.controller = &jl_gc9a01,
                                                 .bus = &jl_bus_spi,
                                                 .width = SIDE,
                                                 .height = SIDE,
                                                 .module = JL_MODULE_RESET_WIRED | JL_MODULE_BGR |
                                                           JL_MODULE_IPS};
static uint8_t bands_memory[2][BAND_BYTES];

static jl_status show(struct jl_async *async, const struct wind_reading *wind) {
    struct jl_bands bands;
    jl_status status =
        jl_bands_begin_async(&bands, async, bands_memory[0], bands_memory[1], BAND_BYTES);
    if (status != JL_OK) {
        return status;
    }
    while (jl_bands_next(&bands)) {
        wind_dial_draw(&bands.frame.target, SIDE / 2, SIDE / 2, 118, wind);
    }
    return jl_bands_end(&bands);
}

jl_status example_run(const struct jl_port *port) {
    static const struct wind_reading winds[] = {{225, 11}, {262, 17}, {310, 24}};
    static struct jl_panel panel;
    static struct jl_async async;
    jl_status status = jl_panel_open(&panel, &round_tft, port);
    if (status == JL_OK) {
        status = jl_panel_wake(&panel);
    }
    if (status == JL_OK) {
        status = jl_async_init(&async, &panel, NULL, NULL);
    }
    for (int i = 0; i < 3 && status == JL_OK; i++) {
        status = show(&async, &winds[i]);
    }
    return status;
}
