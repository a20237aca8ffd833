/* A wind dial: ring sectors, rays, a pointer polygon and text, all by direction. */
#include "drawing.h"

enum { SIDE = 240, MIDDLE = SIDE / 2, RIM = 112 };

/* A point at a distance from the middle in a direction. */
static struct jl_point at(jl_direction direction, int32_t distance) {
    return (struct jl_point){(int16_t)(MIDDLE + distance * jl_sine(direction) / 16384),
                             (int16_t)(MIDDLE - distance * jl_cosine(direction) / 16384)};
}

static void ticks(struct jl_target *t) {
    for (uint32_t degrees = 0; degrees < 360; degrees += 10) {
        jl_direction direction = JL_DEGREES(degrees);
        bool main = degrees % 90 == 0;
        jl_draw_wide_line(t, at(direction, main ? 92 : 98), at(direction, 104), main ? 4 : 1,
                          JL_SILVER);
    }
}

static void letters(struct jl_target *t) {
    static const char *const names[] = {"N", "E", "S", "W"};
    static const struct jl_text_style style = {
        .font = &jl_font_6x8, .ink = JL_WHITE, .paper = JL_CLEAR};
    for (uint32_t i = 0; i < 4; i++) {
        struct jl_point p = at((jl_direction)(i * 16384), 84);
        jl_text_at(t, p.x, p.y, JL_ANCHOR_CENTRE | JL_ANCHOR_MIDDLE, names[i], &style);
    }
}

static void pointer(struct jl_target *t, jl_direction from) {
    jl_direction back = (jl_direction)(from + 32768);
    struct jl_point arrow[] = {at(from, 70), at((jl_direction)(from + 29000), 42), at(back, 26),
                               at((jl_direction)(from + 36536), 42)};
    jl_fill_polygon(t, arrow, 4, JL_ORANGE);
    jl_stroke_polygon(t, arrow, 4, JL_WHITE);
}

static void draw(struct jl_frame *frame, int step) {
    static const int32_t winds[][2] = {{225, 11}, {262, 17}, {310, 24}}; /* degrees, knots */
    static const struct jl_text_style style = {
        .font = &jl_font_6x8, .ink = JL_WHITE, .paper = JL_CLEAR};
    struct jl_target *t = &frame->target;
    jl_direction wind = JL_DEGREES(winds[step][0]);
    char knots[16];
    jl_clear(t, JL_BLACK);
    jl_fill_circle(t, MIDDLE, MIDDLE, RIM, JL_RGB(10, 30, 48));
    jl_fill_ring(t, MIDDLE, MIDDLE, RIM, RIM - 5, 0, JL_SWEEP(360), JL_TEAL);
    /* Where the wind has come from during the hour. */
    jl_fill_ring(t, MIDDLE, MIDDLE, RIM, RIM - 5, (jl_direction)(wind - 4000), 6500, JL_YELLOW);
    ticks(t);
    letters(t);
    pointer(t, wind);
    size_t n = jl_format_int(knots, sizeof knots, winds[step][1], 0, ' ');
    knots[n] = '\0';
    jl_fill_rounded(t, (struct jl_rect){96, 172, 48, 22}, 6, JL_NAVY);
    jl_stroke_rounded(t, (struct jl_rect){96, 172, 48, 22}, 6, JL_AQUA);
    jl_text_at(t, 112, 183, JL_ANCHOR_CENTRE | JL_ANCHOR_MIDDLE, knots, &style);
    jl_text_at(t, 132, 183, JL_ANCHOR_CENTRE | JL_ANCHOR_MIDDLE, "kn", &style);
}

const struct drawing drawing = {&jl_rgb565, SIDE, SIDE, 3, 2, draw};
