/*
 * Drawing speed on the desktop, against the C library's memset() and memcpy(), and against pixman,
 * which many toolkits draw with: each does the same pixels by its own best call. Pairs are
 * measured in turns in one run, so that a busy machine disturbs both alike; what is printed is the
 * median of the pairs, and between which ratios the middle half of them lies. With the name of a
 * case as argument it runs that case alone once, for counting instructions.
 */
#define _POSIX_C_SOURCE 200809L
#include <math.h>
#include <stdio.h>
#include <stdlib.h>
#include <string.h>
#include <time.h>

#include "jadelamp/jadelamp.h"
#ifdef HAVE_PIXMAN
#include <pixman.h>
#endif

enum { W = 320, H = 240, PAIRS = 101, SPRITE = 64, WIDE = 400 };

static uint8_t pixels[W * H * 2], other[W * H * 2], mono_pixels[JL_MONO_COLUMNS_BYTES(128, 64)];
static struct jl_frame frame, mono;
static struct jl_target *t;
static const struct jl_text_style opaque = {
    .font = &jl_font_6x8, .ink = JL_WHITE, .paper = JL_NAVY};
static const struct jl_text_style clear = {
    .font = &jl_font_6x8, .ink = JL_WHITE, .paper = JL_CLEAR};
static const char line_of_text[] = "High water 15:14 at 3.91 m, wind SW 5, sluice open."; /* 51 */
static const struct jl_text_style soft = {
    .font = &jl_font_sans16, .ink = JL_WHITE, .paper = JL_CLEAR};
static const char short_text[] = "High water 15:14, wind SW 5"; /* 27 */
static struct jl_image picture, sprite, wide_picture, disc;
static uint8_t wide_pixels[WIDE * H * 2], disc_mask[SPRITE * SPRITE / 2];

/* ---- the cases; each is one unit of work ---- */

__attribute__((noinline)) static void fill_screen(void) {
    jl_fill_rect(t, (struct jl_rect){0, 0, W, H}, JL_TEAL);
}
__attribute__((noinline)) static void fill_half(void) {
    jl_fill_rect(t, (struct jl_rect){40, 30, W / 2, H / 2}, JL_TEAL);
}
__attribute__((noinline)) static void copy_screen(void) {
    jl_draw_image(t, 0, 0, &picture);
}
__attribute__((noinline)) static void copy_sprite(void) {
    jl_draw_image(t, 33, 21, &sprite);
}
/* From the middle of a wider picture, so that no two rows are neighbours. */
__attribute__((noinline)) static void copy_part(void) {
    jl_draw_image(t, -40, -20, &wide_picture);
}
__attribute__((noinline)) static void masked_sprite(void) {
    jl_draw_image(t, 33, 21, &disc);
}
__attribute__((noinline)) static void odd_rectangles(void) {
    for (int16_t i = 0; i < 50; i++) {
        jl_fill_rect(t, (struct jl_rect){(int16_t)(i * 3 + 1), (int16_t)(i * 2), 37, 23}, JL_TEAL);
    }
}
__attribute__((noinline)) static void text_soft(void) {
    jl_text(t, 3, 100, short_text, &soft);
}
__attribute__((noinline)) static void smooth_disc(void) {
    jl_smooth_disc(t, jl_fine_middle(160, 120), JL_FINE(100), JL_WHITE, JL_CLEAR);
}
__attribute__((noinline)) static void smooth_ring(void) {
    jl_smooth_arc(t, jl_fine_middle(160, 120), JL_FINE(100), JL_FINE(80), JL_DEGREES(225),
                  JL_SWEEP(270), JL_ENDS_ROUND, JL_ORANGE, JL_CLEAR);
}
__attribute__((noinline)) static void text_opaque(void) {
    jl_text(t, 3, 100, line_of_text, &opaque);
}
__attribute__((noinline)) static void text_clear(void) {
    jl_text(t, 3, 100, line_of_text, &clear);
}
__attribute__((noinline)) static void lines_100(void) {
    for (int16_t i = 0; i < 100; i++) {
        jl_draw_line(t, 0, (int16_t)(i * 2), W - 1, (int16_t)(H - 1 - i * 2), JL_WHITE);
    }
}
__attribute__((noinline)) static void circle_stroke(void) {
    jl_stroke_circle(t, 160, 120, 100, JL_WHITE);
}
__attribute__((noinline)) static void circle_fill(void) {
    jl_fill_circle(t, 160, 120, 100, JL_WHITE);
}
__attribute__((noinline)) static void ring_sector(void) {
    jl_fill_ring(t, 160, 120, 100, 80, JL_DEGREES(225), JL_SWEEP(270), JL_ORANGE);
}
__attribute__((noinline)) static void polygon(void) {
    static const struct jl_point star[] = {{160, 10}, {225, 210}, {55, 85}, {265, 85}, {95, 210}};
    jl_fill_polygon(t, star, 5, JL_YELLOW);
}
__attribute__((noinline)) static void gradient(void) {
    jl_fill_gradient(t, (struct jl_rect){0, 0, W, H}, JL_AXIS_X, JL_NAVY, JL_AQUA, NULL);
}
__attribute__((noinline)) static void blend_half(void) {
    jl_target_mode(t, JL_MODE_BLEND, 128);
    jl_fill_rect(t, (struct jl_rect){40, 30, W / 2, H / 2}, JL_TEAL);
    jl_target_mode(t, JL_MODE_REPLACE, 0);
}
__attribute__((noinline)) static void mono_fill(void) {
    jl_fill_rect(&mono.target, (struct jl_rect){1, 3, 126, 58}, JL_WHITE);
}
__attribute__((noinline)) static void mono_text(void) {
    jl_text(&mono.target, 1, 8, "High water 15:14 at 3", &opaque); /* 21 characters */
}

/* ---- what they are compared with ---- */

static void set_memory(void) {
    memset(pixels, 0x5A, sizeof pixels);
}
static void copy_memory(void) {
    memcpy(pixels, other, sizeof pixels);
}
static void copy_memory_rows(void) {
    for (int y = 0; y < H - 20; y++) {
        memcpy(pixels + y * W * 2, wide_pixels + ((y + 20) * WIDE + 40) * 2, W * 2);
    }
}
/* A call of the library's, as ours: of a length that compilers know they make moves in place. */
static volatile size_t sprite_row_bytes = SPRITE * 2;

static void copy_memory_sprite(void) {
    size_t bytes = sprite_row_bytes;
    for (int y = 0; y < SPRITE; y++) {
        memcpy(pixels + ((21 + y) * W + 33) * 2, other + y * SPRITE * 2, bytes);
    }
}

#ifdef HAVE_PIXMAN
static pixman_image_t *to, *from, *sprite_from, *sprite_mask, *white, *half_teal, *ramp;
static pixman_glyph_cache_t *glyphs;
static pixman_glyph_t line_glyphs[51], soft_glyphs[27];

static pixman_image_t *bits(pixman_format_code_t format, int width, int height, void *memory,
                            int stride) {
    return pixman_image_create_bits(format, width, height, memory, stride);
}

/* A text as pixman wants it: masks of 8 bits in a cache, and places. Drawn by our own library, so
 * that both draw the same letters. */
static void glyphs_of(const char *text, const struct jl_text_style *style, pixman_glyph_t *out) {
    static uint8_t grey[JL_GREY4_BYTES(32, 32)];
    struct jl_text_style letter = *style;
    int x = 3;
    letter.paper = JL_CLEAR;
    for (int i = 0; text[i]; i++) {
        const char one[2] = {text[i], 0};
        int width = jl_text_width(style, one), height = style->font->height;
        struct jl_frame frame_of_one;
        const void *key =
            pixman_glyph_cache_lookup(glyphs, (void *)(uintptr_t)style, (void *)(uintptr_t)text[i]);
        if (!key && jl_frame_init(&frame_of_one, &jl_grey4, 32, 32, grey, sizeof grey) == JL_OK) {
            pixman_image_t *mask = bits(PIXMAN_a8, width, height, NULL, 0);
            uint8_t *to_mask = (uint8_t *)pixman_image_get_data(mask);
            jl_text(&frame_of_one.target, 0, 0, one, &letter);
            for (int p = 0; p < width * height; p++) {
                uint8_t two = grey[p / width * 16 + p % width / 2];
                to_mask[p / width * pixman_image_get_stride(mask) + p % width] =
                    (uint8_t)((p % width & 1 ? two & 15 : two >> 4) * 17);
            }
            key = pixman_glyph_cache_insert(glyphs, (void *)(uintptr_t)style,
                                            (void *)(uintptr_t)text[i], 0, 0, mask);
        }
        out[i] = (pixman_glyph_t){x, 100, key};
        x += width;
    }
}

static void pixman_open(void) {
    pixman_color_t ink = {0xFFFF, 0xFFFF, 0xFFFF, 0xFFFF};
    pixman_color_t teal = {0, 0x4040, 0x4040, 0x8080}; /* premultiplied: 128 of 255 */
    static uint8_t mask[SPRITE * SPRITE];
    pixman_point_fixed_t left = {0, 0}, right = {pixman_int_to_fixed(W), 0};
    pixman_gradient_stop_t stops[2] = {{0, {0, 0, 0x8080, 0xFFFF}},
                                       {pixman_fixed_1, {0, 0xFFFF, 0xFFFF, 0xFFFF}}};
    to = bits(PIXMAN_r5g6b5, W, H, pixels, W * 2);
    from = bits(PIXMAN_r5g6b5, W, H, other, W * 2);
    sprite_from = bits(PIXMAN_r5g6b5, SPRITE, SPRITE, other, SPRITE * 2);
    for (int i = 0; i < SPRITE * SPRITE; i++) {
        mask[i] = (uint8_t)((i % 2 ? disc_mask[i / 2] & 15 : disc_mask[i / 2] >> 4) * 17);
    }
    sprite_mask = bits(PIXMAN_a8, SPRITE, SPRITE, mask, SPRITE);
    white = pixman_image_create_solid_fill(&ink);
    half_teal = pixman_image_create_solid_fill(&teal);
    ramp = pixman_image_create_linear_gradient(&left, &right, stops, 2);
    glyphs = pixman_glyph_cache_create();
    pixman_glyph_cache_freeze(glyphs);
    glyphs_of(line_of_text, &clear, line_glyphs);
    glyphs_of(short_text, &soft, soft_glyphs);
}
static void pixman_fill_screen(void) {
    pixman_fill((uint32_t *)(void *)pixels, W / 2, 16, 0, 0, W, H, 0x0410);
}
static void pixman_rectangles(void) {
    for (int i = 0; i < 50; i++) {
        pixman_fill((uint32_t *)(void *)pixels, W / 2, 16, i * 3 + 1, i * 2, 37, 23, 0x0410);
    }
}
static void pixman_copy_screen(void) {
    pixman_image_composite32(PIXMAN_OP_SRC, from, NULL, to, 0, 0, 0, 0, 0, 0, W, H);
}
static void pixman_sprite(void) {
    pixman_image_composite32(PIXMAN_OP_OVER, sprite_from, sprite_mask, to, 0, 0, 0, 0, 33, 21,
                             SPRITE, SPRITE);
}
static void pixman_text(void) {
    pixman_composite_glyphs_no_mask(PIXMAN_OP_OVER, white, to, 0, 0, 0, 0, glyphs, 51, line_glyphs);
}
/* Opaque: the ground first. */
static void pixman_text_opaque(void) {
    pixman_fill((uint32_t *)(void *)pixels, W / 2, 16, 3, 100, 306, 8, 0x0010);
    pixman_text();
}
static void pixman_text_soft(void) {
    pixman_composite_glyphs_no_mask(PIXMAN_OP_OVER, white, to, 0, 0, 0, 0, glyphs, 27, soft_glyphs);
}
static void pixman_blend(void) {
    pixman_image_composite32(PIXMAN_OP_OVER, half_teal, NULL, to, 0, 0, 0, 0, 40, 30, W / 2, H / 2);
}
static void pixman_gradient(void) {
    pixman_image_composite32(PIXMAN_OP_SRC, ramp, NULL, to, 0, 0, 0, 0, 0, 0, W, H);
}
#endif

/* ---- presenting, without a wire: what the processor does for it ---- */

static struct jl_panel panel;
static struct jl_frame small;
static uint8_t small_pixels[W * H], line_memory[W * 2];

static jl_status no_send(void *context, const struct jl_transfer *transfer) {
    (void)context;
    (void)transfer;
    return JL_OK;
}
static void no_wait(void *context, uint32_t us) {
    (void)context;
    (void)us;
}
static void no_pin(void *context, enum jl_pin pin, bool high) {
    (void)context;
    (void)pin;
    (void)high;
}

static void must(jl_status status) {
    if (status != JL_OK) {
        fprintf(stderr, "bench: %s\n", jl_status_text(status));
        exit(1);
    }
}

static void open_panel(void) {
    static const struct jl_port_ops ops = {.send = no_send, .wait_us = no_wait, .set_pin = no_pin};
    static const struct jl_port port = {.ops = &ops};
    static const struct jl_panel_config config = {.controller = &jl_ili9341,
                                                  .bus = &jl_bus_spi,
                                                  .width = 240,
                                                  .height = 320,
                                                  .turn = JL_TURN_90};
    must(jl_panel_open(&panel, &config, &port));
    must(jl_panel_wake(&panel));
}

static void present_own(void) {
    must(jl_panel_present(&panel, &frame));
}
static void present_332(void) {
    must(jl_frame_init(&small, &jl_rgb332, W, H, small_pixels, sizeof small_pixels));
    must(jl_panel_present_as(&panel, &small, line_memory, sizeof line_memory));
}
static void present_palette(void) {
    static const jl_color palette[16] = {JL_BLACK, JL_WHITE, JL_RED};
    must(jl_frame_init_palette(&small, &jl_palette4, palette, W, H, small_pixels,
                               sizeof small_pixels));
    must(jl_panel_present_as(&panel, &small, line_memory, sizeof line_memory));
}

/* ---- measuring ---- */

static double seconds_of(void (*work)(void), int times) {
    struct timespec a, b;
    clock_gettime(CLOCK_MONOTONIC, &a);
    for (int i = 0; i < times; i++) {
        work();
    }
    clock_gettime(CLOCK_MONOTONIC, &b);
    return (double)(b.tv_sec - a.tv_sec) + (double)(b.tv_nsec - a.tv_nsec) * 1e-9;
}

static int by_size(const void *a, const void *b) {
    double x = *(const double *)a, y = *(const double *)b;
    return (x > y) - (x < y);
}

/* As often as fills some tenths of a millisecond. */
static int times_for(void (*work)(void)) {
    int times = 1;
    while (times < 4096 && seconds_of(work, times) < 2e-4) {
        times *= 2;
    }
    return times;
}

static void compare(const char *what, void (*ours)(void), const char *with, void (*theirs)(void)) {
    double us[PAIRS], their_us[PAIRS], ratios[PAIRS];
    int times = times_for(ours), their_times = times_for(theirs);
    for (int i = 0; i < PAIRS; i++) {
        us[i] = seconds_of(ours, times) / times * 1e6;
        their_us[i] = seconds_of(theirs, their_times) / their_times * 1e6;
        ratios[i] = us[i] / their_us[i];
    }
    qsort(us, PAIRS, sizeof us[0], by_size);
    qsort(their_us, PAIRS, sizeof us[0], by_size);
    qsort(ratios, PAIRS, sizeof us[0], by_size);
    printf("  %-30s %8.2f us   %-26s %8.2f us   %.2f of its time (%.2f to %.2f)\n", what,
           us[PAIRS / 2], with, their_us[PAIRS / 2], ratios[PAIRS / 2], ratios[PAIRS / 4],
           ratios[PAIRS * 3 / 4]);
}

static void rate(const char *what, void (*work)(void), int units, const char *unit) {
    double us[PAIRS];
    for (int i = 0; i < PAIRS; i++) {
        us[i] = seconds_of(work, 4) / 4 * 1e6;
    }
    qsort(us, PAIRS, sizeof us[0], by_size);
    printf("  %-34s %8.2f us   %12.0f %s a second\n", what, us[PAIRS / 2],
           units * 1e6 / us[PAIRS / 2], unit);
}

static const struct {
    const char *name;
    void (*work)(void);
} cases[] = {
    {"fill_screen", fill_screen}, {"fill_half", fill_half},
    {"copy_screen", copy_screen}, {"copy_sprite", copy_sprite},
    {"text_opaque", text_opaque}, {"text_clear", text_clear},
    {"lines_100", lines_100},     {"circle_stroke", circle_stroke},
    {"circle_fill", circle_fill}, {"ring_sector", ring_sector},
    {"polygon", polygon},         {"gradient", gradient},
    {"blend_half", blend_half},   {"mono_fill", mono_fill},
    {"mono_text", mono_text},     {"present_own", present_own},
    {"copy_part", copy_part},     {"masked_sprite", masked_sprite},
    {"text_soft", text_soft},     {"odd_rectangles", odd_rectangles},
    {"smooth_disc", smooth_disc}, {"smooth_ring", smooth_ring},
    {"present_332", present_332}, {"present_palette", present_palette},
};

enum { CASES = sizeof cases / sizeof cases[0] };

/* A mask as sprites have it: whole within, nothing around, a soft edge. */
static void make_disc(void) {
    for (int i = 0; i < SPRITE * SPRITE; i++) {
        double far = hypot(i % SPRITE - 31.5, i / SPRITE - 31.5);
        int there = (int)fmin(15, fmax(0, (30 - far) * 8));
        disc_mask[i / 2] = (uint8_t)(disc_mask[i / 2] | (i % 2 ? there : there << 4));
    }
    disc = sprite;
    disc.mask = disc_mask;
    disc.mask_bits = 4;
}

int main(int argc, char **argv) {
    if (jl_frame_init(&frame, &jl_rgb565, W, H, pixels, sizeof pixels) != JL_OK ||
        jl_frame_init(&mono, &jl_mono_columns, 128, 64, mono_pixels, sizeof mono_pixels) != JL_OK) {
        return 1;
    }
    t = &frame.target;
    open_panel();
    memset(other, 0x37, sizeof other);
    picture = (struct jl_image){.format = &jl_rgb565, .pixels = other, .width = W, .height = H};
    sprite =
        (struct jl_image){.format = &jl_rgb565, .pixels = other, .width = SPRITE, .height = SPRITE};
    wide_picture =
        (struct jl_image){.format = &jl_rgb565, .pixels = wide_pixels, .width = WIDE, .height = H};
    make_disc();
    if (argc > 1) {
        for (int i = 0; i < CASES; i++) {
            if (strcmp(argv[1], "--list") == 0) {
                puts(cases[i].name);
            } else if (strcmp(argv[1], cases[i].name) == 0) {
                cases[i].work();
            }
        }
        return 0;
    }
    printf("Drawing on a 5-6-5 frame of %dx%d; medians of %d pairs, and where half of them lie\n",
           W, H, PAIRS);
    compare("fill the screen", fill_screen, "memset", set_memory);
    compare("copy the screen", copy_screen, "one memcpy", copy_memory);
    compare("copy a part of a picture", copy_part, "memcpy row by row", copy_memory_rows);
    compare("copy a sprite of 64x64", copy_sprite, "memcpy row by row", copy_memory_sprite);
#ifdef HAVE_PIXMAN
    pixman_open();
    compare("fill the screen", fill_screen, "pixman fill", pixman_fill_screen);
    compare("50 rectangles of 37x23", odd_rectangles, "pixman fill", pixman_rectangles);
    compare("copy the screen", copy_screen, "pixman composite", pixman_copy_screen);
    compare("sprite of 64x64, soft mask", masked_sprite, "pixman composite", pixman_sprite);
    compare("51 characters, opaque", text_opaque, "pixman fill and glyphs", pixman_text_opaque);
    compare("51 characters, transparent", text_clear, "pixman glyphs", pixman_text);
    compare("27 soft characters of 16", text_soft, "pixman glyphs", pixman_text_soft);
    compare("blend over a quarter", blend_half, "pixman composite", pixman_blend);
    compare("gradient over the screen", gradient, "pixman gradient", pixman_gradient);
#else
    puts("  (no pixman here: scripts/setup bench)");
#endif
    rate("text, opaque", text_opaque, 51, "glyphs");
    rate("text, transparent", text_clear, 51, "glyphs");
    rate("lines across the screen", lines_100, 100, "lines");
    rate("circle of radius 100", circle_stroke, 1, "circles");
    rate("disc of radius 100", circle_fill, 1, "discs");
    rate("gauge ring of 270 degrees", ring_sector, 1, "rings");
    rate("star polygon", polygon, 1, "polygons");
    rate("smooth disc of radius 100", smooth_disc, 1, "discs");
    rate("smooth ring of 270 degrees", smooth_ring, 1, "rings");
    rate("gradient over the screen", gradient, 1, "gradients");
    rate("blend over a quarter", blend_half, 1, "blends");
    rate("present 3-3-2 as 5-6-5, no wire", present_332, W * H, "pixels");
    rate("present 16 colours as 5-6-5", present_palette, W * H, "pixels");
    rate("1-bit vertical bytes: fill 126x58", mono_fill, 1, "fills");
    rate("1-bit vertical bytes: text", mono_text, 21, "glyphs");
    return 0;
}
