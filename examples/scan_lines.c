/*
 * Glass without a memory, 480x272, and no frame either: the next four rows are drawn while four
 * others go out, 60 times a second. The processor must be fast enough; the RAM may be small.
 */
#include "example.h"

enum { WIDTH = 480, HEIGHT = 272, ROWS = 4 };

static const struct jl_scanout_config glass = {.width = WIDTH,
                                               .height = HEIGHT,
                                               .clock_hz = 9000000,
                                               .line = {.sync = 41, .back = 2, .front = 2},
                                               .picture = {.sync = 10, .back = 2, .front = 2},
                                               .flags = JL_SCANOUT_FALLING,
                                               .data_lines = 24};
static uint16_t first[WIDTH * ROWS], second[WIDTH * ROWS]; /* 7680 bytes; a frame has 261120 */
static struct jl_scanout_lines lines;
static int32_t level = 160; /* the basin's, in cm */

/* Called from the peripheral's interrupt, with four rows to be drawn. */
static void draw(void *context, struct jl_target *target) {
    static const struct jl_text_style title = {
        .font = &jl_font_8x13, .ink = JL_WHITE, .paper = JL_CLEAR};
    const int32_t *cm = context;
    int16_t height = (int16_t)(*cm * 3 / 4);
    jl_fill_rect(target, (struct jl_rect){0, 0, WIDTH, HEIGHT}, JL_RGB(16, 35, 44));
    jl_text(target, 20, 14, "Heron Quay, inner basin", &title);
    jl_fill_rect(target, (struct jl_rect){180, 40, 120, 212}, JL_RGB(35, 56, 66));
    jl_fill_rect(target, (struct jl_rect){180, (int16_t)(252 - height), 120, height},
                 JL_RGB(47, 183, 168));
    jl_stroke_rect(target, (struct jl_rect){180, 40, 120, 212}, JL_WHITE);
}

jl_status example_run(const struct jl_port *port) {
    jl_status status = jl_scanout_lines_open(&lines, &glass, port, &jl_rgb565_cpu, ROWS, draw,
                                             &level, first, second, sizeof first);
    if (port->ops->set_pin) { /* the light behind the glass */
        port->ops->set_pin(port->context, JL_PIN_LIGHT, true);
    }
    for (int i = 0; i < 20 && status == JL_OK; i++) {
        port->ops->wait_us(port->context, 20000);
        level += 4; /* the next picture shows it */
    }
    return status;
}
