/* A buoy that bounces over a background, which is kept in a small frame and put back. */
#include "drawing.h"

enum { WIDTH = 160, HEIGHT = 120, SPRITE = 24 };

static uint8_t behind_pixels[JL_RGB565_BYTES(SPRITE, SPRITE)];
static uint8_t buoy_pixels[JL_RGB565_BYTES(SPRITE, SPRITE)];
static struct jl_frame behind, buoy;

static void draw_background(struct jl_target *t) {
    jl_fill_gradient(t, (struct jl_rect){0, 0, WIDTH, 70}, JL_AXIS_Y, JL_NAVY, JL_RGB(255, 170, 90),
                     NULL);
    jl_fill_circle(t, 120, 66, 14, JL_YELLOW);
    jl_fill_gradient(t, (struct jl_rect){0, 70, WIDTH, 50}, JL_AXIS_Y, JL_TEAL, JL_RGB(0, 20, 40),
                     NULL);
    for (int16_t y = 76; y < HEIGHT; y = (int16_t)(y + 9)) {
        struct jl_point wave[4] = {
            {0, y}, {50, (int16_t)(y - 8)}, {110, (int16_t)(y + 8)}, {159, y}};
        jl_draw_bezier(t, wave, JL_AQUA);
    }
}

/* The sprite draws itself once, on its own frame; fuchsia is what is left out. */
static void draw_buoy(struct jl_target *t) {
    static const struct jl_point cone[] = {{12, 1}, {18, 14}, {6, 14}};
    jl_clear(t, JL_FUCHSIA);
    jl_fill_polygon(t, cone, 3, JL_RED);
    jl_fill_rect(t, (struct jl_rect){8, 8, 9, 3}, JL_WHITE);
    jl_fill_ellipse(t, 12, 17, 10, 5, JL_MAROON);
    jl_fill_ellipse(t, 12, 16, 10, 4, JL_RED);
}

static void draw(struct jl_frame *frame, int step) {
    static const struct jl_point places[] = {{20, 58}, {62, 30}, {104, 50}, {128, 78}};
    struct jl_target *t = &frame->target;
    if (step == 0) {
        draw_background(t);
        if (jl_frame_init(&behind, &jl_rgb565, SPRITE, SPRITE, behind_pixels,
                          sizeof behind_pixels) != JL_OK ||
            jl_frame_init(&buoy, &jl_rgb565, SPRITE, SPRITE, buoy_pixels, sizeof buoy_pixels) !=
                JL_OK) {
            return;
        }
        draw_buoy(&buoy.target);
    } else {
        struct jl_image kept = jl_image_of_frame(&behind);
        jl_draw_image(t, places[step - 1].x, places[step - 1].y, &kept);
    }
    struct jl_image whole = jl_image_of_frame(frame);
    struct jl_image sprite = jl_image_of_frame(&buoy);
    sprite.has_key = true;
    sprite.key = JL_FUCHSIA;
    jl_draw_image(&behind.target, (int16_t)-places[step].x, (int16_t)-places[step].y, &whole);
    jl_draw_image(t, places[step].x, places[step].y, &sprite);
}

const struct drawing drawing = {&jl_rgb565, WIDTH, HEIGHT, 4, 2, draw};
