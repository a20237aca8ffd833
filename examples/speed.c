/* What each way of showing a change costs on this panel's wire, measured and shown on the panel. */
#include "example.h"

enum { WIDTH = 128, HEIGHT = 64 };

static const struct jl_panel_config oled = {.controller = &jl_ssd1306,
                                            .width = WIDTH,
                                            .height = HEIGHT,
                                            .bus = &jl_bus_i2c,
                                            .i2c_address = 0x3C};
static uint8_t pixels[JL_MONO_COLUMNS_BYTES(WIDTH, HEIGHT)];
static uint8_t shadow[sizeof pixels];
static uint8_t page[WIDTH];

static const struct jl_text_style style = {.font = &jl_font_6x8, .ink = JL_WHITE};

static uint32_t now(const struct jl_port *port) {
    return port->ops->now_us ? port->ops->now_us(port->context) : 0;
}

static void draw(struct jl_target *target, int32_t value) {
    jl_text(target, 0, 0, "Speed", &style);
    jl_text_number(target, 90, 0, value, 0, &style);
}

jl_status example_run(const struct jl_port *port) {
    static const char *const names[] = {"whole frame", "tracked", "shadow", "bands"};
    uint32_t cost[4] = {0};
    struct jl_panel panel;
    struct jl_frame frame;
    struct jl_damage damage;
    struct jl_bands bands;
    jl_panel_open(&panel, &oled, port);
    jl_panel_wake(&panel);
    jl_panel_frame(&panel, &frame, pixels, sizeof pixels);
    for (int way = 0; way < 4; way++) {
        if (way == 1) { /* from here on the frame knows what changed; the first time all of it */
            jl_frame_track(&frame, &damage);
            jl_panel_present(&panel, &frame);
        } else if (way == 2) {
            jl_panel_present_changes(&panel, &frame, shadow);
        }
        uint32_t start = now(port);
        if (way == 3) {
            jl_bands_begin(&bands, &panel, page, sizeof page);
            while (jl_bands_next(&bands)) {
                draw(&bands.frame.target, 100 + way);
            }
            jl_bands_end(&bands);
        } else {
            if (way == 2) { /* a program that clears and redraws */
                jl_clear(&frame.target, JL_BLACK);
            }
            draw(&frame.target, 100 + way);
            way == 2 ? jl_panel_present_changes(&panel, &frame, shadow)
                     : jl_panel_present(&panel, &frame);
        }
        cost[way] = now(port) - start;
    }
    struct jl_cursor cursor;
    jl_cursor_begin(&cursor, &frame.target, (struct jl_rect){0, 16, WIDTH, 48}, &style);
    for (int way = 0; way < 4; way++) {
        char text[24];
        struct jl_compose line;
        jl_compose_begin(&line, text, sizeof text);
        jl_compose_text(&line, names[way], -12);
        jl_compose_fixed(&line, (int32_t)((cost[way] + 5) / 10), 2, 6);
        jl_compose_text(&line, " ms\n", 0);
        jl_print(&cursor, text);
    }
    jl_panel_present(&panel, &frame);
    return jl_panel_status(&panel);
}
