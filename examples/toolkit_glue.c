/*
 * Under a widget toolkit: it draws pieces of the screen into a buffer of its own, in the
 * processor's order of 5-6-5, and calls back for each. Here the toolkit is a few lines that fill
 * tiles.
 */
#include "example.h"

enum { SIDE = 240, TILE_W = 80, TILE_H = 40 };

static const struct jl_panel_config tft = {.controller = &jl_st7789,
                                           .bus = &jl_bus_spi,
                                           .width = SIDE,
                                           .height = SIDE,
                                           .module = JL_MODULE_IPS | JL_MODULE_RESET_WIRED};
static struct jl_panel panel;
static uint16_t draw_buffer[TILE_W * TILE_H]; /* the toolkit's */
static uint8_t swapped[2 * TILE_W * 8];       /* ours: eight lines on their way */

/* The glue: all that a toolkit needs of the library. */
static void flush(int16_t x, int16_t y, int16_t width, int16_t height, const uint16_t *pixels) {
    struct jl_rect area = {x, y, width, height};
    jl_panel_send_rgb565_cpu(&panel, area, pixels, (uint16_t)(width * 2), swapped, sizeof swapped);
}

/* The toolkit: each tile gets a colour of its own and a lighter frame. */
static void refresh(void) {
    for (int16_t y = 0; y < SIDE; y = (int16_t)(y + TILE_H)) {
        for (int16_t x = 0; x < SIDE; x = (int16_t)(x + TILE_W)) {
            uint16_t red = (uint16_t)(x / TILE_W * 10), green = (uint16_t)(y / TILE_H * 10);
            for (int i = 0; i < TILE_W * TILE_H; i++) {
                bool edge = i % TILE_W < 2 || i % TILE_W >= TILE_W - 2 || i / TILE_W < 2 ||
                            i / TILE_W >= TILE_H - 2;
                draw_buffer[i] = edge ? 0xFFFF : (uint16_t)(red << 11 | green << 5 | 12);
            }
            flush(x, y, TILE_W, TILE_H, draw_buffer);
        }
    }
}

jl_status example_run(const struct jl_port *port) {
    jl_panel_open(&panel, &tft, port);
    jl_panel_wake(&panel);
    refresh();
    return jl_panel_status(&panel);
}
