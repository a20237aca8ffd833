/* Soft edges: shapes, letters, a gauge, pictures in other sizes and directions, large pixels. */
#include "drawing.h"

enum { WIDTH = 480, HEIGHT = 320 };

static const jl_color ground = JL_RGB(8, 14, 24);

static const struct jl_font *const scripts[] = {&jl_font_sans16_greek, &jl_font_sans16_cyrillic,
                                                NULL};
static const struct jl_text_style body = {
    .font = &jl_font_sans16, .ink = JL_WHITE, .paper = JL_CLEAR, .fallbacks = scripts};
static const struct jl_text_style medium = {
    .font = &jl_font_sans24, .ink = JL_YELLOW, .paper = JL_CLEAR};
static const struct jl_text_style large = {
    .font = &jl_font_sans32, .ink = JL_AQUA, .paper = JL_CLEAR};
static const struct jl_text_style figures = {
    .font = &jl_font_figures28, .ink = JL_WHITE, .paper = JL_CLEAR};
static const struct jl_text_style tall = {
    .font = &jl_font_figures48, .ink = JL_ORANGE, .paper = JL_CLEAR};
static const struct jl_text_style pixels = {
    .font = &jl_font_5x7, .ink = JL_LIME, .paper = JL_CLEAR};

static void letters(struct jl_target *t) {
    jl_text(t, 12, 8, "Heron Quay, die Schleuse öffnet um 15:14", &body);
    jl_text(t, 12, 28, "Πύλη λιμένος · Шлюз закрыт", &body);
    jl_text(t, 12, 50, "Wind SSW, 17 kn", &medium);
    jl_text(t, 12, 80, "Tide rising", &large);
    jl_text(t, 12, 116, "3.91", &figures);
    jl_text(t, 184, 84, "1.84", &tall);
}

/* A gauge: a track, a part of it with round ends, marks, a needle. */
static void gauge(struct jl_target *t, int16_t x, int16_t y, int32_t per_mille) {
    struct jl_point middle = jl_fine_middle(x, y);
    jl_direction start = JL_DEGREES(225), way;
    uint32_t sweep = JL_SWEEP_OF(JL_SWEEP(270), (uint32_t)per_mille, 1000);
    jl_smooth_arc(t, middle, JL_FINE(70), JL_FINE(60), start, JL_SWEEP(270), JL_ENDS_ROUND,
                  JL_RGB(30, 50, 62), ground);
    jl_smooth_arc(t, middle, JL_FINE(70), JL_FINE(60), start, sweep, JL_ENDS_ROUND, JL_TEAL,
                  JL_CLEAR);
    for (int i = 0; i <= 10; i++) {
        way = (jl_direction)(start + JL_SWEEP(27) * (uint32_t)i);
        jl_smooth_line(t, jl_point_at(middle, way, JL_FINE(54)),
                       jl_point_at(middle, way, JL_FINE(i % 5 ? 49 : 45)), i % 5 ? 20 : 40,
                       JL_ENDS_ROUND, JL_SILVER, ground);
    }
    way = (jl_direction)(start + sweep);
    jl_smooth_needle(t, middle, way, JL_FINE(56), JL_FINE(14), JL_FINE(6), JL_ORANGE, JL_CLEAR);
    jl_smooth_disc(t, middle, JL_FINE(6), JL_WHITE, JL_CLEAR);
}

static void shapes(struct jl_target *t) {
    static const struct jl_point curve[] = {
        {JL_FINE(16), JL_FINE(232)}, {JL_FINE(46), JL_FINE(186)},  {JL_FINE(70), JL_FINE(214)},
        {JL_FINE(94), JL_FINE(178)}, {JL_FINE(118), JL_FINE(222)}, {JL_FINE(148), JL_FINE(176)}};
    static const struct jl_point star[] = {{JL_FINE(190), JL_FINE(172)},
                                           {JL_FINE(207), JL_FINE(230)},
                                           {JL_FINE(162), JL_FINE(194)},
                                           {JL_FINE(218), JL_FINE(194)},
                                           {JL_FINE(173), JL_FINE(230)}};
    struct jl_rect plate = {JL_FINE(232), JL_FINE(176), JL_FINE(64), JL_FINE(52)};
    jl_smooth_polyline(t, curve, 6, JL_FINE(3), JL_ENDS_ROUND, JL_YELLOW, ground);
    jl_smooth_polygon(t, star, 5, JL_ORANGE, ground);
    jl_smooth_rounded(t, plate, JL_FINE(14), JL_NAVY, ground);
    jl_smooth_rounded_frame(t, plate, JL_FINE(14), 36, JL_AQUA, JL_CLEAR);
    jl_smooth_ring(t, jl_fine_middle(264, 202), JL_FINE(18), JL_FINE(15), JL_LIME, JL_CLEAR);
    /* Hard beside soft. */
    jl_stroke_circle(t, 36, 276, 24, JL_SILVER);
    jl_draw_line(t, 20, 290, 52, 262, JL_SILVER);
    jl_smooth_ring(t, jl_fine_middle(96, 276), JL_FINE(24) + 10, JL_FINE(24) - 8, JL_SILVER,
                   ground);
    jl_smooth_line(t, jl_fine_middle(80, 290), jl_fine_middle(112, 262), 20, JL_ENDS_ROUND,
                   JL_SILVER, ground);
}

/* A boat of 16 x 12, in 5-6-5, drawn here so that the example is one file. */
static void boat(struct jl_frame *frame) {
    static uint8_t memory[JL_RGB565_BYTES(16, 12)];
    if (jl_frame_init(frame, &jl_rgb565, 16, 12, memory, sizeof memory) != JL_OK) {
        return;
    }
    jl_clear(&frame->target, JL_BLACK);
    jl_fill_triangle(&frame->target, (struct jl_point){7, 0}, (struct jl_point){7, 7},
                     (struct jl_point){1, 7}, JL_WHITE);
    jl_fill_triangle(&frame->target, (struct jl_point){9, 1}, (struct jl_point){9, 7},
                     (struct jl_point){14, 7}, JL_SILVER);
    jl_fill_rect(&frame->target, (struct jl_rect){1, 9, 14, 1}, JL_ORANGE);
    jl_fill_rect(&frame->target, (struct jl_rect){3, 10, 10, 2}, JL_ORANGE);
}

static void pictures(struct jl_target *t) {
    struct jl_frame frame;
    struct jl_magnified magnified;
    boat(&frame);
    struct jl_image image = jl_image_of_frame(&frame);
    image.has_key = true;
    image.key = JL_BLACK;
    jl_draw_image(t, 150, 292, &image);
    jl_draw_scaled(t, (struct jl_rect){172, 256, 64, 48}, &image, NULL, JL_SAMPLE_NEAREST,
                   JL_FLIP_X);
    for (int i = 0; i < 3; i++) {
        jl_draw_turned(t, jl_fine_middle((int16_t)(256 + i * 24), 284), &image,
                       (struct jl_point){JL_FINE(8), JL_FINE(6)},
                       (jl_direction)(JL_DEGREES(25) * i), JL_SAMPLE_BOX);
    }
    jl_magnify(&magnified, t, 326, 250, 4);
    jl_text(&magnified.target, 0, 0, "12°C", &pixels);
}

static void draw(struct jl_frame *frame, int step) {
    struct jl_target *t = &frame->target;
    (void)step;
    jl_clear(t, ground);
    letters(t);
    gauge(t, 404, 150, 640);
    shapes(t);
    pictures(t);
}

const struct drawing drawing = {&jl_rgb888, WIDTH, HEIGHT, 1, 2, draw};
