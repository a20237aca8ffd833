/* Two cubes that turn above a layered scene: sky, hills, water; all of it is drawn anew each time.
 */
#include "example.h"

enum { WIDTH = 128, HEIGHT = 160, TURNS = 6 };

static const struct jl_panel_config tft = {.controller = &jl_st7735,
                                           .bus = &jl_bus_spi,
                                           .width = WIDTH,
                                           .height = HEIGHT,
                                           .column_offset = 2,
                                           .row_offset = 1,
                                           .module = JL_MODULE_MIRROR_X | JL_MODULE_MIRROR_Y |
                                                     JL_MODULE_BGR | JL_MODULE_RESET_WIRED};
static uint8_t pixels[JL_RGB565_BYTES(WIDTH, HEIGHT)];

static void scene(struct jl_target *target, int16_t step) {
    static const struct jl_point far_hills[] = {{0, 96},  {24, 78},  {46, 90},   {70, 70},
                                                {98, 92}, {127, 80}, {127, 120}, {0, 120}};
    struct jl_point near_hills[] = {{0, 112},   {30, 98},   {64, 112}, {90, 100},
                                    {127, 110}, {127, 125}, {0, 125}};
    jl_fill_gradient(target, (struct jl_rect){0, 0, WIDTH, 96}, JL_AXIS_Y, JL_RGB(20, 40, 90),
                     JL_RGB(240, 170, 110), NULL);
    jl_fill_polygon(target, far_hills, sizeof far_hills / sizeof far_hills[0], JL_RGB(60, 70, 110));
    jl_fill_polygon(target, near_hills, sizeof near_hills / sizeof near_hills[0],
                    JL_RGB(30, 60, 50));
    jl_fill_rect(target, (struct jl_rect){0, 120, WIDTH, HEIGHT - 120}, JL_RGB(20, 70, 100));
    for (int16_t y = 126; y < HEIGHT; y = (int16_t)(y + 8)) {
        for (int16_t x = (int16_t)((step * 3 + y) % 16 - 16); x < WIDTH; x = (int16_t)(x + 16)) {
            jl_draw_line(target, x, y, (int16_t)(x + 7), y, JL_RGB(120, 180, 200));
        }
    }
}

/* A cube of half a side, turned about two axes and seen from afar; 16384 is 1 in jl_sine(). */
static void cube(struct jl_target *target, struct jl_point at, int32_t half, jl_direction turn,
                 jl_color color) {
    struct jl_point corners[8];
    int32_t c = jl_cosine(turn), s = jl_sine(turn);
    for (int i = 0; i < 8; i++) {
        int32_t x = i & 1 ? half : -half, y = i & 2 ? half : -half, z = i & 4 ? half : -half;
        int32_t turned_x = (x * c - z * s) >> 14, depth = (x * s + z * c) >> 14;
        int32_t turned_y = (y * 14189 - depth * 8192) >> 14; /* tilted by 30 degrees */
        corners[i] = (struct jl_point){(int16_t)(at.x + turned_x), (int16_t)(at.y + turned_y)};
    }
    for (int i = 0; i < 8; i++) { /* an edge joins corners that differ in one axis */
        for (int axis = 1; axis <= 4; axis <<= 1) {
            if (!(i & axis)) {
                jl_draw_line(target, corners[i].x, corners[i].y, corners[i | axis].x,
                             corners[i | axis].y, color);
            }
        }
    }
}

jl_status example_run(const struct jl_port *port) {
    struct jl_panel panel;
    struct jl_frame frame;
    jl_panel_open(&panel, &tft, port);
    jl_panel_wake(&panel);
    jl_panel_frame(&panel, &frame, pixels, sizeof pixels);
    for (int16_t step = 0; step < TURNS; step++) {
        jl_direction turn = (jl_direction)(step * JL_DEGREES(9));
        scene(&frame.target, step);
        cube(&frame.target, (struct jl_point){42, 46}, 20, turn, JL_WHITE);
        cube(&frame.target, (struct jl_point){94, 62}, 11, (jl_direction)-turn, JL_YELLOW);
        jl_panel_present(&panel, &frame);
    }
    return jl_panel_status(&panel);
}
