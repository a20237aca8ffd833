/*
 * Drawing on a Cortex-M0+: instructions of each primitive, of a pixel or a character where that
 * is what one asks. Formats: a frame of 128x64 in vertical bytes, and one of 240x320 in 5-6-5.
 */
#include "measure.h"

#include "jadelamp/draw.h"
#include "jadelamp/frame.h"
#include "jadelamp/image.h"
#include "jadelamp/shapes.h"
#include "jadelamp/smooth.h"
#include "jadelamp/text.h"

enum { WIDTH = 240, HEIGHT = 320, SMALL_WIDTH = 128, SMALL_HEIGHT = 64 };

static uint8_t pixels[JL_RGB565_BYTES(WIDTH, HEIGHT)];
static uint8_t small_pixels[JL_MONO_COLUMNS_BYTES(SMALL_WIDTH, SMALL_HEIGHT)];
static struct jl_frame color, mono;
static struct jl_damage color_damage, mono_damage;

static struct jl_target *t; /* what a case draws on */

/* ---- cases: one call each ---- */

static void pixel(void *context) {
    (void)context;
    for (int16_t x = 0; x < 100; x++) {
        jl_draw_pixel(t, x, 21, JL_WHITE);
    }
}

static void slanted_line(void *context) {
    (void)context;
    jl_draw_line(t, 0, 0, (int16_t)(t->width - 1), (int16_t)(t->height - 1), JL_WHITE);
}

static void flat_line(void *context) {
    (void)context;
    jl_draw_line(t, 0, 5, (int16_t)(t->width - 1), 12, JL_WHITE);
}

static void circle(void *context) {
    (void)context;
    jl_stroke_circle(t, (int16_t)(t->width / 2), (int16_t)(t->height / 2), 30, JL_WHITE);
}

static void small_triangle(void *context) {
    (void)context;
    jl_fill_triangle(t, (struct jl_point){10, 10}, (struct jl_point){23, 14},
                     (struct jl_point){14, 25}, JL_WHITE);
}

static void large_triangle(void *context) {
    (void)context;
    int16_t right = (int16_t)(t->width - 1), bottom = (int16_t)(t->height - 1);
    jl_fill_triangle(t, (struct jl_point){0, 3}, (struct jl_point){right, 20},
                     (struct jl_point){17, bottom}, JL_WHITE);
}

static void odd_fill(void *context) {
    (void)context;
    jl_fill_rect(t, (struct jl_rect){3, 8, 101, 48}, JL_TEAL);
}

static void page_fill(void *context) {
    (void)context;
    jl_fill_rect(t, (struct jl_rect){0, 0, 128, 64}, JL_BLACK);
    jl_fill_rect(t, (struct jl_rect){0, 0, 128, 64}, JL_WHITE);
}

static const struct jl_text_style plain = {
    .font = &jl_font_6x8, .ink = JL_WHITE, .paper = JL_BLACK};
static const struct jl_text_style large = {
    .font = &jl_font_8x13, .ink = JL_WHITE, .paper = JL_CLEAR};

static void text_aligned(void *context) {
    (void)context;
    jl_text(t, 0, 16, "Tide 1.84 m rising", &plain); /* 18 characters */
}

static const struct jl_text_style quick = {
    .font = &jl_font_6x8_quick, .ink = JL_WHITE, .paper = JL_BLACK};

static void text_quick(void *context) {
    (void)context;
    jl_text(t, 0, 16, "Tide 1.84 m rising", &quick);
}

static void text_clear(void *context) {
    (void)context;
    jl_text(t, 1, 19, "Tide 1.84 m", &large); /* 11 characters */
}

static void blend(void *context) {
    (void)context;
    jl_target_mode(t, JL_MODE_BLEND, 100);
    jl_fill_rect(t, (struct jl_rect){3, 8, 100, 40}, JL_TEAL);
    jl_target_mode(t, JL_MODE_REPLACE, 0);
}

static void gradient(void *context) {
    (void)context;
    jl_fill_gradient(t, (struct jl_rect){3, 8, 100, 40}, JL_AXIS_X, JL_NAVY, JL_AQUA, NULL);
}

static void dithered_gradient(void *context) {
    static const uint8_t bits[3] = {5, 6, 5};
    (void)context;
    jl_fill_gradient(t, (struct jl_rect){3, 8, 100, 40}, JL_AXIS_X, JL_NAVY, JL_AQUA, bits);
}

static const struct jl_text_style soft = {
    .font = &jl_font_sans16, .ink = JL_WHITE, .paper = JL_CLEAR};
static const struct jl_text_style soft_on_paper = {
    .font = &jl_font_sans16, .ink = JL_WHITE, .paper = JL_NAVY};

static void text_soft(void *context) {
    (void)context;
    jl_text(t, 1, 19, "Tide 1.84 m", &soft); /* 11 characters */
}

static void text_soft_on_paper(void *context) {
    (void)context;
    jl_text(t, 1, 19, "Tide 1.84 m", &soft_on_paper); /* 11 characters */
}

/* Shapes with soft edges beside hard ones of the same size. */
static void hard_disc(void *context) {
    (void)context;
    jl_fill_circle(t, 60, 31, 30, JL_TEAL);
}

static void smooth_disc(void *context) {
    (void)context;
    jl_smooth_disc(t, jl_fine_middle(60, 31), JL_FINE(30) + 8, JL_TEAL, JL_CLEAR);
}

/* As wide as a round glass takes, in two windows of the engine. */
static void large_hard_disc(void *context) {
    (void)context;
    jl_fill_circle(t, 120, 160, 100, JL_TEAL);
}

static void large_smooth_disc(void *context) {
    (void)context;
    jl_smooth_disc(t, jl_fine_middle(120, 160), JL_FINE(100) + 8, JL_TEAL, JL_CLEAR);
}

static void hard_ring(void *context) {
    (void)context;
    jl_fill_ring(t, 60, 31, 30, 23, JL_DEGREES(225), JL_SWEEP(270), JL_TEAL);
}

static void smooth_ring(void *context) {
    (void)context;
    jl_smooth_arc(t, jl_fine_middle(60, 31), JL_FINE(30) + 8, JL_FINE(23) - 8, JL_DEGREES(225),
                  JL_SWEEP(270), JL_ENDS_FLAT, JL_TEAL, JL_CLEAR);
}

static void hard_wide_line(void *context) {
    (void)context;
    jl_draw_wide_line(t, (struct jl_point){10, 5}, (struct jl_point){90, 55}, 5, JL_TEAL);
}

static void smooth_wide_line(void *context) {
    (void)context;
    jl_smooth_line(t, jl_fine_middle(10, 5), jl_fine_middle(90, 55), JL_FINE(5), JL_ENDS_FLAT,
                   JL_TEAL, JL_CLEAR);
}

static void hard_polygon(void *context) {
    static const struct jl_point points[] = {{40, 4}, {70, 50}, {20, 60}, {8, 30}, {22, 8}};
    (void)context;
    jl_fill_polygon(t, points, 5, JL_TEAL);
}

static void smooth_polygon(void *context) {
    static const struct jl_point points[] = {{40 * 16, 4 * 16},
                                             {70 * 16, 50 * 16},
                                             {20 * 16, 60 * 16},
                                             {8 * 16, 30 * 16},
                                             {22 * 16, 8 * 16}};
    (void)context;
    jl_smooth_polygon(t, points, 5, JL_TEAL, JL_CLEAR);
}

static void hard_rounded(void *context) {
    (void)context;
    jl_fill_rounded(t, (struct jl_rect){4, 4, 100, 50}, 12, JL_TEAL);
}

static void smooth_rounded(void *context) {
    (void)context;
    jl_smooth_rounded(t, (struct jl_rect){4 * 16, 4 * 16, 100 * 16, 50 * 16}, 12 * 16 + 8, JL_TEAL,
                      JL_CLEAR);
}

static void needle(void *context) {
    (void)context;
    jl_smooth_needle(t, jl_fine_middle(60, 31), JL_DEGREES(50), JL_FINE(30), JL_FINE(8), JL_FINE(4),
                     JL_TEAL, JL_CLEAR);
}

static uint8_t picture_bits[JL_MONO_COLUMNS_BYTES(128, 64)];
static const struct jl_image mono_picture = {
    .format = &jl_mono_columns, .width = 128, .height = 64, .pixels = picture_bits};
static const struct jl_bitmap bitmap = {
    .width = 128, .height = 64, .bits = picture_bits, .order = &jl_bits_columns};

static void mono_image(void *context) {
    (void)context;
    jl_draw_image(t, 0, 0, &mono_picture);
}

static void mono_bitmap(void *context) {
    (void)context;
    jl_draw_bitmap(t, 0, 0, &bitmap, JL_WHITE, JL_BLACK);
}

static uint8_t sprite_pixels[64 * 64 * 2], sprite_mask[64 * 64 / 2];
static struct jl_image sprite = {.format = &jl_rgb565,
                                 .width = 64,
                                 .height = 64,
                                 .pixels = sprite_pixels,
                                 .mask = sprite_mask,
                                 .mask_bits = 4};

static void draw_sprite(void *context) {
    (void)context;
    jl_draw_image(t, 33, 21, &sprite);
}

/* What sprites are like: solid within, clear around, soft between. */
static uint8_t disc_mask[64 * 64 / 2];

static void make_disc(void) {
    for (int32_t i = 0; i < 64 * 64; i++) {
        int32_t x = i % 64 - 32, y = i / 64 - 32, far = x * x + y * y;
        int32_t there = far < 28 * 28 ? 15 : far > 30 * 30 ? 0 : (30 * 30 - far) * 15 / 117;
        disc_mask[i / 2] = (uint8_t)(i % 2 ? (disc_mask[i / 2] & 0xF0) | there : there << 4);
    }
}

static void draw_disc(void *context) {
    struct jl_image disc = sprite;
    (void)context;
    disc.mask = disc_mask;
    jl_draw_image(t, 33, 21, &disc);
}

/* ---- the table ---- */

static const struct row {
    const char *name;
    void (*run)(void *context);
    int32_t units_mono, units_color; /* pixels or characters of a call; 0: not on this one */
} rows[] = {
    {"single pixel", pixel, 100, 100},
    {"slanted line, a pixel", slanted_line, 128, 320},
    {"flat line, a pixel", flat_line, 128, 240},
    {"circle of radius 30, a pixel", circle, 168, 168},
    {"triangle of 98 pixels, all", small_triangle, 1, 1},
    {"large triangle, all", large_triangle, 1, 1},
    {"fill at an odd column, a pixel", odd_fill, 101 * 48, 101 * 48},
    {"fill of whole pages, a pixel", page_fill, 2 * 128 * 64, 0},
    {"text 6x8 in place, a character", text_aligned, 18, 18},
    {"the same, 6x8_quick", text_quick, 18, 18},
    {"text 8x13 clear, a character", text_clear, 11, 11},
    {"1-bit image on 1 bit, all", mono_image, 1, 0},
    {"1-bit bitmap on 1 bit, all", mono_bitmap, 1, 0},
    {"blend, a pixel", blend, 0, 4000},
    {"gradient, a pixel", gradient, 0, 4000},
    {"dithered gradient, a pixel", dithered_gradient, 0, 4000},
    {"sprite with 4-bit mask, a pixel", draw_sprite, 0, 64 * 64},
    {"disc with a soft edge, a pixel", draw_disc, 0, 64 * 64},
    {"soft text of 16, a character", text_soft, 0, 11},
    {"the same on paper, a character", text_soft_on_paper, 0, 11},
    {"hard disc of radius 30, all", hard_disc, 1, 1},
    {"smooth disc, all", smooth_disc, 1, 1},
    {"hard disc of radius 100, all", large_hard_disc, 0, 1},
    {"smooth disc of 100, all", large_smooth_disc, 0, 1},
    {"hard ring of 270 degrees, all", hard_ring, 1, 1},
    {"smooth ring, all", smooth_ring, 1, 1},
    {"hard line of width 5, all", hard_wide_line, 1, 1},
    {"smooth line, all", smooth_wide_line, 1, 1},
    {"hard polygon of 5 points, all", hard_polygon, 1, 1},
    {"smooth polygon, all", smooth_polygon, 1, 1},
    {"hard rounded rectangle, all", hard_rounded, 1, 1},
    {"smooth rounded rectangle, all", smooth_rounded, 1, 1},
    {"smooth needle, all", needle, 1, 1},
};

static void make_contents(void) {
    for (uint32_t i = 0; i < sizeof picture_bits; i++) {
        picture_bits[i] = (uint8_t)(i * 37 ^ i >> 3);
    }
    for (uint32_t i = 0; i < sizeof sprite_pixels; i++) {
        sprite_pixels[i] = (uint8_t)(i * 11);
    }
    for (uint32_t i = 0; i < sizeof sprite_mask; i++) {
        sprite_mask[i] = (uint8_t)(i % 5 == 0 ? 0xFF : i % 5 == 1 ? 0 : i * 7);
    }
}

/* In tenths, so that a tenth of an instruction a pixel is seen. */
static int32_t tenths(struct jl_frame *frame, const struct row *row, int32_t units) {
    if (!units) {
        return 0;
    }
    t = &frame->target;
    jl_clear(t, JL_BLACK);
    if (frame->damage) {
        jl_damage_clear(frame->damage);
    }
    uint32_t all = measure(row->run, NULL), each = (uint32_t)units;
    return (int32_t)(all / each * 10 + all % each * 10 / each);
}

static void print_table(const char *name, bool tracked) {
    report(name, -1, -1, -1);
    jl_frame_track(&mono, tracked ? &mono_damage : NULL);
    jl_frame_track(&color, tracked ? &color_damage : NULL);
    for (uint32_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        report_tenths(rows[i].name, tenths(&mono, &rows[i], rows[i].units_mono),
                      tenths(&color, &rows[i], rows[i].units_color));
    }
}

void bench(void) {
    if (jl_frame_init(&mono, &jl_mono_columns, SMALL_WIDTH, SMALL_HEIGHT, small_pixels,
                      sizeof small_pixels) != JL_OK ||
        jl_frame_init(&color, &jl_rgb565, WIDTH, HEIGHT, pixels, sizeof pixels) != JL_OK) {
        return;
    }
    make_contents();
    make_disc();
    print_table("untracked", false);
    print_table("tracked", true);
}
