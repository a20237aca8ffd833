/*
 * A clock on e-paper of 128x296 without a frame: bands of 16 rows, 256 bytes. The first picture
 * flashes; then only the clock's rows are sent, in partial updates, and the panel sleeps in between
 * with the picture on it.
 */
#include "example.h"

enum { WIDTH = 128, HEIGHT = 296, CLOCK_TOP = 40, CLOCK_ROWS = 32, MINUTES = 3 };

static const struct jl_panel_config paper = {.controller = &jl_ssd1680,
                                             .bus = &jl_bus_spi,
                                             .width = WIDTH,
                                             .height = HEIGHT,
                                             .module = JL_MODULE_RESET_WIRED};
/* Static, so that the linker's figure of RAM has all but the stack. */
static uint8_t band[JL_BLACK_WHITE_BYTES(WIDTH, 16)];
static struct jl_panel panel;
static struct jl_epaper updates;
static struct jl_bands bands;

/* A digit of seven bars: a font would be larger than all the rest. */
static void draw_digit(struct jl_target *target, int16_t x, uint8_t digit) {
    static const uint8_t bars_of[] = {0x77, 0x24, 0x5D, 0x6D, 0x2E, 0x6B, 0x7B, 0x25, 0x7F, 0x6F};
    static const struct {
        uint8_t x, y, w, h;
    } bars[] = {{2, 0, 14, 4},  {0, 2, 4, 13},   {14, 2, 4, 13}, {2, 14, 14, 4},
                {0, 17, 4, 13}, {14, 17, 4, 13}, {2, 28, 14, 4}};
    for (uint8_t i = 0; i < 7; i++) {
        if (bars_of[digit] >> i & 1) {
            jl_fill_rect(target,
                         (struct jl_rect){(int16_t)(x + bars[i].x),
                                          (int16_t)(CLOCK_TOP + bars[i].y), bars[i].w, bars[i].h},
                         JL_BLACK);
        }
    }
}

static void draw(struct jl_target *target, uint8_t minute) {
    static const struct jl_text_style style = {
        .font = &jl_font_6x8, .ink = JL_BLACK, .paper = JL_WHITE};
    jl_text(target, 8, 8, "Heron Quay", &style);
    draw_digit(target, 8, 0);
    draw_digit(target, 34, 8);
    jl_fill_rect(target, (struct jl_rect){60, CLOCK_TOP + 9, 4, 4}, JL_BLACK);
    jl_fill_rect(target, (struct jl_rect){60, CLOCK_TOP + 21, 4, 4}, JL_BLACK);
    draw_digit(target, 72, minute / 10);
    draw_digit(target, 98, minute % 10);
    jl_fill_rect(target, (struct jl_rect){8, 84, WIDTH - 16, 2}, JL_BLACK);
    jl_text(target, 8, 92, "high water  15:00", &style);
}

/* The whole picture, or the clock's rows of it. */
static void show(uint8_t minute, bool whole) {
    const struct jl_rect clock = {0, CLOCK_TOP, WIDTH, CLOCK_ROWS};
    if (whole) {
        jl_bands_begin(&bands, &panel, band, sizeof band);
    } else {
        jl_bands_begin_area(&bands, &panel, clock, band, sizeof band);
    }
    while (jl_bands_next(&bands)) {
        draw(&bands.frame.target, minute);
    }
    jl_bands_end(&bands);
}

jl_status example_run(const struct jl_port *port) {
    jl_panel_open(&panel, &paper, port);
    jl_epaper_begin(&updates, &panel);
    jl_panel_wake(&panel);
    for (uint8_t minute = 0; minute < MINUTES; minute++) {
        jl_panel_resume(&panel);
        show((uint8_t)(40 + minute), minute == 0);
        jl_panel_sleep(&panel);
        port->ops->wait_us(port->context, 1000000); /* a minute of yours; sleep meanwhile, too */
    }
    return jl_panel_status(&panel);
}
