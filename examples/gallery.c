/* Every primitive on one page. */
#include "drawing.h"

enum { CELL_W = 104, CELL_H = 88, COLUMNS = 4 };

static const struct jl_text_style label = {
    .font = &jl_font_6x8, .ink = JL_SILVER, .paper = JL_CLEAR};

static void lines(struct jl_target *t, const struct jl_format *format) {
    (void)format;
    for (int16_t i = 0; i <= 6; i++) {
        jl_draw_line(t, 8, 8, (int16_t)(96 - i * 12), (int16_t)(10 + i * 9), JL_AQUA);
    }
    jl_draw_wide_line(t, (struct jl_point){40, 60}, (struct jl_point){92, 34}, 7, JL_ORANGE);
}

static void rectangles(struct jl_target *t, const struct jl_format *format) {
    (void)format;
    jl_fill_rect(t, (struct jl_rect){8, 8, 36, 24}, JL_TEAL);
    jl_stroke_rect(t, (struct jl_rect){52, 8, 40, 24}, JL_AQUA);
    jl_fill_rounded(t, (struct jl_rect){8, 40, 36, 26}, 9, JL_ORANGE);
    jl_stroke_rounded(t, (struct jl_rect){52, 40, 40, 26}, 9, JL_YELLOW);
}

static void ellipses(struct jl_target *t, const struct jl_format *format) {
    (void)format;
    jl_fill_circle(t, 26, 26, 18, JL_TEAL);
    jl_stroke_circle(t, 74, 26, 18, JL_AQUA);
    jl_fill_ellipse(t, 26, 58, 18, 8, JL_ORANGE);
    jl_stroke_ellipse(t, 74, 58, 22, 8, JL_YELLOW);
}

static void polygons(struct jl_target *t, const struct jl_format *format) {
    static const struct jl_point star[] = {{30, 6}, {46, 60}, {6, 26}, {54, 26}, {14, 60}};
    (void)format;
    jl_fill_polygon(t, star, 5, JL_YELLOW);
    jl_fill_triangle(t, (struct jl_point){76, 8}, (struct jl_point){98, 36},
                     (struct jl_point){58, 36}, JL_TEAL);
    jl_stroke_triangle(t, (struct jl_point){76, 42}, (struct jl_point){98, 66},
                       (struct jl_point){58, 66}, JL_AQUA);
}

static void gauges(struct jl_target *t, const struct jl_format *format) {
    (void)format;
    jl_fill_ring(t, 34, 36, 28, 20, JL_DEGREES(225), JL_SWEEP(270), JL_RGB(30, 50, 60));
    jl_fill_ring(t, 34, 36, 28, 20, JL_DEGREES(225), JL_SWEEP(175), JL_LIME);
    jl_draw_arc(t, 34, 36, 15, JL_DEGREES(225), JL_SWEEP(270), JL_SILVER);
    jl_fill_ring(t, 84, 34, 18, 0, JL_DEGREES(0), JL_SWEEP(120), JL_ORANGE);
    jl_fill_ring(t, 84, 34, 18, 0, JL_DEGREES(120), JL_SWEEP(90), JL_TEAL);
    jl_fill_ring(t, 84, 34, 18, 0, JL_DEGREES(210), JL_SWEEP(150), JL_PURPLE);
}

static void curves(struct jl_target *t, const struct jl_format *format) {
    static const struct jl_point curve[4] = {{8, 60}, {30, -30}, {70, 110}, {96, 12}};
    static const struct jl_point chart[] = {{8, 66},  {24, 50}, {40, 58},
                                            {56, 40}, {72, 46}, {96, 24}};
    (void)format;
    jl_draw_bezier(t, curve, JL_YELLOW);
    jl_draw_polyline(t, chart, 6, JL_AQUA);
}

static void gradients(struct jl_target *t, const struct jl_format *format) {
    static const uint8_t coarse[3] = {1, 1, 1};
    jl_fill_gradient(t, (struct jl_rect){8, 8, 88, 18}, JL_AXIS_X, JL_NAVY, JL_AQUA,
                     format->channel_bits);
    jl_fill_gradient(t, (struct jl_rect){8, 28, 88, 18}, JL_AXIS_X, JL_BLACK, JL_WHITE, coarse);
    jl_fill_gradient(t, (struct jl_rect){8, 48, 88, 18}, JL_AXIS_Y, JL_YELLOW, JL_RED,
                     format->channel_bits);
}

static void patterns(struct jl_target *t, const struct jl_format *format) {
    static const uint8_t *const all[] = {jl_pattern_checker, jl_pattern_hatch, jl_pattern_cross,
                                         jl_pattern_dots};
    (void)format;
    for (int16_t i = 0; i < 4; i++) {
        struct jl_rect box = {(int16_t)(8 + i % 2 * 46), (int16_t)(8 + i / 2 * 30), 42, 26};
        jl_fill_pattern(t, box, all[i], JL_YELLOW, JL_NAVY);
    }
}

static void modes(struct jl_target *t, const struct jl_format *format) {
    (void)format;
    jl_fill_rect(t, (struct jl_rect){8, 22, 88, 12}, JL_TEAL);
    jl_fill_rect(t, (struct jl_rect){8, 44, 88, 12}, JL_ORANGE);
    jl_target_mode(t, JL_MODE_BLEND, 128);
    jl_fill_circle(t, 30, 38, 22, JL_WHITE);
    jl_target_mode(t, JL_MODE_INVERT, 0);
    jl_fill_circle(t, 74, 38, 22, JL_WHITE);
    jl_target_mode(t, JL_MODE_REPLACE, 0);
}

static void words(struct jl_target *t, const struct jl_format *format) {
    static const struct jl_text_style plain = {
        .font = &jl_font_6x8, .ink = JL_WHITE, .paper = JL_CLEAR};
    static const struct jl_text_style boxed = {
        .font = &jl_font_6x8, .ink = JL_BLACK, .paper = JL_YELLOW};
    (void)format;
    jl_text_box(t, (struct jl_rect){8, 6, 66, 40}, JL_TEXT_WRAP, "Sluice opens at high water",
                &plain);
    jl_text_at(t, 74, 58, JL_ANCHOR_RIGHT, "right", &boxed);
    jl_text_turned(t, 84, 66, JL_TEXT_UP, "upwards", &plain);
    jl_text_turned(t, 102, 8, JL_TEXT_DOWN, "down", &boxed);
}

static void turned(struct jl_target *t, const struct jl_format *format) {
    static const uint8_t boat_bits[] = {0x00, 0x10, 0x00, 0x00, 0x30, 0x00, 0x00, 0x70, 0x00, 0x00,
                                        0xF4, 0x00, 0x01, 0xF6, 0x00, 0x03, 0xF7, 0x00, 0x07, 0xF7,
                                        0x80, 0x0F, 0xF7, 0xC0, 0x1F, 0xF7, 0xE0, 0x00, 0x10, 0x00,
                                        0x00, 0x10, 0x00, 0xFF, 0xFF, 0xFF, 0x7F, 0xFF, 0xFE, 0x3F,
                                        0xFF, 0xFC, 0x1F, 0xFF, 0xF8, 0x0F, 0xFF, 0xF0};
    static const struct jl_bitmap boat = {boat_bits, 24, 16, &jl_bits_rows_msb};
    (void)format;
    for (int16_t i = 0; i < 4; i++) {
        static const jl_color inks[] = {JL_WHITE, JL_AQUA, JL_YELLOW, JL_ORANGE};
        jl_draw_bitmap(t, (int16_t)(10 + i % 2 * 44), (int16_t)(10 + i / 2 * 30), &boat, inks[i],
                       i == 3 ? JL_MAROON : JL_CLEAR);
    }
}

static void clips(struct jl_target *t, const struct jl_format *format) {
    struct jl_rect outer = jl_target_clip(t, (struct jl_rect){12, 10, 80, 52});
    (void)format;
    jl_fill_pattern(t, (struct jl_rect){0, 0, 104, 76}, jl_pattern_dots, JL_GRAY, JL_CLEAR);
    struct jl_rect inner = jl_target_clip(t, (struct jl_rect){30, 0, 40, 76});
    jl_fill_circle(t, 50, 36, 34, JL_TEAL);
    jl_target_unclip(t, inner);
    jl_stroke_circle(t, 50, 36, 34, JL_YELLOW);
    jl_target_unclip(t, outer);
}

static void draw(struct jl_frame *frame, int step) {
    static const struct {
        const char *name;
        void (*draw)(struct jl_target *t, const struct jl_format *format);
    } cells[] = {
        {"lines", lines},         {"rectangles", rectangles}, {"circles, ellipses", ellipses},
        {"polygons", polygons},   {"rings, arcs", gauges},    {"curves", curves},
        {"gradients", gradients}, {"patterns", patterns},     {"blend, invert", modes},
        {"text", words},          {"bitmaps", turned},        {"clips", clips}};
    (void)step;
    jl_clear(&frame->target, JL_RGB(6, 10, 16));
    for (int16_t i = 0; i < 12; i++) {
        /* Each cell is a frame of its own, copied to its place: so every cell draws from (0, 0). */
        static uint8_t cell_pixels[JL_RGB565_BYTES(CELL_W, CELL_H)];
        struct jl_frame cell;
        if (jl_frame_init(&cell, &jl_rgb565, CELL_W, CELL_H, cell_pixels, sizeof cell_pixels) !=
            JL_OK) {
            return;
        }
        jl_clear(&cell.target, JL_RGB(12, 18, 26));
        cells[i].draw(&cell.target, cell.format);
        jl_text_at(&cell.target, CELL_W / 2, CELL_H - 3, JL_ANCHOR_CENTRE | JL_ANCHOR_BOTTOM,
                   cells[i].name, &label);
        struct jl_image done = jl_image_of_frame(&cell);
        jl_draw_image(&frame->target, (int16_t)(4 + i % COLUMNS * (CELL_W + 4)),
                      (int16_t)(4 + i / COLUMNS * (CELL_H + 4)), &done);
    }
}

const struct drawing drawing = {&jl_rgb565, 4 + COLUMNS *(CELL_W + 4), 4 + 3 * (CELL_H + 4), 1, 3,
                                draw};
