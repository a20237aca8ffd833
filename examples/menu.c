/* A menu on 128x32: four rows, the chosen one inverted, a bar that shows where in the list it is.
 */
#include "example.h"

enum { WIDTH = 128, HEIGHT = 32, ROWS = 4, ROW = 8, BAR = 2 };

static const struct jl_panel_config oled = {.controller = &jl_ssd1306,
                                            .width = WIDTH,
                                            .height = HEIGHT,
                                            .bus = &jl_bus_i2c,
                                            .i2c_address = 0x3C};
static const char *const items[] = {"Tide", "Wind", "Upper gate", "Lower gate", "Lamp", "About"};
enum { ITEMS = sizeof items / sizeof items[0] };

static uint8_t pixels[JL_MONO_COLUMNS_BYTES(WIDTH, HEIGHT)];

static void draw(struct jl_target *target, int chosen) {
    static const struct jl_text_style normal = {.font = &jl_font_6x8, .ink = JL_WHITE};
    static const struct jl_text_style inverted = {
        .font = &jl_font_6x8, .ink = JL_BLACK, .paper = JL_WHITE};
    int first = chosen < ROWS ? 0 : chosen - ROWS + 1;
    for (int row = 0; row < ROWS; row++) {
        const struct jl_text_style *style = first + row == chosen ? &inverted : &normal;
        int16_t y = (int16_t)(row * ROW);
        jl_fill_rect(target, (struct jl_rect){0, y, 2, ROW}, style->paper);
        jl_text_field(target, 2, y, WIDTH - BAR - 4, JL_ANCHOR_LEFT, items[first + row], style);
    }
    /* A part as high as what is seen of the list, where it is in it. */
    int16_t top = (int16_t)(first * HEIGHT / ITEMS), height = ROWS * HEIGHT / ITEMS;
    jl_fill_rect(target, (struct jl_rect){WIDTH - BAR, 0, BAR, HEIGHT}, JL_BLACK);
    jl_fill_rect(target, (struct jl_rect){WIDTH - BAR, top, BAR, height}, JL_WHITE);
}

jl_status example_run(const struct jl_port *port) {
    struct jl_panel panel;
    struct jl_frame frame;
    struct jl_damage damage;
    jl_panel_open(&panel, &oled, port);
    jl_panel_wake(&panel);
    jl_panel_frame(&panel, &frame, pixels, sizeof pixels);
    jl_frame_track(&frame, &damage); /* of two rows that change, two are sent */
    for (int chosen = 0; chosen < ITEMS - 1; chosen++) {
        draw(&frame.target, chosen);
        jl_panel_present(&panel, &frame);
        port->ops->wait_us(port->context, 150000); /* until the next press of a key */
    }
    return jl_panel_status(&panel);
}
