/* What is sent for a drawing on a panel of 240x320 over SPI: windows, and bytes of damage. */
#include <stdio.h>

#include "jadelamp/jadelamp.h"

enum { WIDTH = 240, HEIGHT = 320, WINDOW_BYTES = 11 };

static uint8_t pixels[WIDTH * HEIGHT * 2];
static struct jl_frame frame;
static struct jl_damage damage;
static const struct jl_text_style style = {
    .font = &jl_font_6x8, .ink = JL_WHITE, .paper = JL_BLACK};

static void diagonal(struct jl_target *t) {
    jl_draw_line(t, 0, 0, WIDTH - 1, HEIGHT - 1, JL_WHITE);
}

static void circle(struct jl_target *t) {
    jl_stroke_circle(t, 120, 160, 100, JL_WHITE);
}

static void numbers(struct jl_target *t) {
    for (int i = 0; i < 16; i++) {
        jl_text(t, (int16_t)(10 + i % 4 * 58), (int16_t)(12 + i / 4 * 76), "12.34", &style);
    }
}

static void numbers_and_diagonal(struct jl_target *t) {
    numbers(t);
    diagonal(t);
}

static void needle(struct jl_target *t) {
    struct jl_point middle = {120, 160}, old = jl_point_at(middle, JL_DEGREES(40), 80);
    struct jl_point tip = jl_point_at(middle, JL_DEGREES(46), 80);
    jl_draw_line(t, middle.x, middle.y, old.x, old.y, JL_BLACK);
    jl_draw_line(t, middle.x, middle.y, tip.x, tip.y, JL_WHITE);
}

static const struct row {
    const char *name;
    void (*draw)(struct jl_target *t);
} rows[] = {{"a diagonal", diagonal},
            {"a circle of radius 100", circle},
            {"sixteen numbers", numbers},
            {"sixteen numbers and a diagonal", numbers_and_diagonal},
            {"a needle of 80 pixels, 6 degrees on", needle}};

int main(void) {
    if (jl_frame_init(&frame, &jl_rgb565, WIDTH, HEIGHT, pixels, sizeof pixels) != JL_OK) {
        return 1;
    }
    jl_frame_track(&frame, &damage);
    puts("What is sent for a drawing, 240x320 in 5-6-5     windows     bytes");
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        long bytes = 0;
        jl_clear(&frame.target, JL_BLACK);
        jl_damage_clear(&damage);
        rows[i].draw(&frame.target);
        for (int k = 0; k < damage.count; k++) {
            bytes += WINDOW_BYTES + 2L * damage.rects[k].w * damage.rects[k].h;
        }
        printf("  %-44s %8d  %8ld\n", rows[i].name, damage.count, bytes);
    }
    return 0;
}
