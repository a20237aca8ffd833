/*
 * Drawing speed on the desktop. Ratios are measured side by side in one run, alternating,
 * best of many, so that a busy machine disturbs both alike. With the name of a case as
 * argument it runs that case alone once, for counting instructions.
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

enum { W = 320, H = 240, ROUNDS = 400, SPRITE = 64 };

static uint8_t pixels[W * H * 2], other[W * H * 2], mono_pixels[JL_MONO_COLUMNS_BYTES(128, 64)];
static struct jl_frame frame, mono;
static struct jl_target *t;
static const struct jl_text_style opaque = {
    .font = &jl_font_6x8, .ink = JL_WHITE, .paper = JL_NAVY};
static const struct jl_text_style clear = {
    .font = &jl_font_6x8, .ink = JL_WHITE, .paper = JL_CLEAR};
static const char line_of_text[] = "High water 15:14 at 3.91 m, wind SW 5, sluice open."; /* 51 */
static struct jl_image picture, sprite;

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
    for (int y = 0; y < H; y++) {
        memcpy(pixels + y * W * 2, other + y * W * 2, W * 2);
    }
}
static void copy_memory_sprite(void) {
    for (int y = 0; y < SPRITE; y++) {
        memcpy(pixels + ((21 + y) * W + 33) * 2, other + y * SPRITE * 2, SPRITE * 2);
    }
}

#ifdef HAVE_PIXMAN
static pixman_image_t *to, *from, *glyph_mask, *white;
static uint8_t glyph_bits[8 * 4];

static void pixman_open(void) {
    pixman_color_t ink = {0xFFFF, 0xFFFF, 0xFFFF, 0xFFFF};
    to = pixman_image_create_bits(PIXMAN_r5g6b5, W, H, (uint32_t *)(void *)pixels, W * 2);
    from = pixman_image_create_bits(PIXMAN_r5g6b5, W, H, (uint32_t *)(void *)other, W * 2);
    /* An 'e' of 6x8 as an 8-bit mask, rows padded to 4 bytes. */
    static uint8_t mask[8 * 8];
    for (int i = 0; i < 64; i++) {
        mask[i] = (i * 37 & 64) && i % 8 < 5 ? 255 : 0;
    }
    (void)glyph_bits;
    glyph_mask = pixman_image_create_bits(PIXMAN_a8, 6, 8, (uint32_t *)(void *)mask, 8);
    white = pixman_image_create_solid_fill(&ink);
}
static void pixman_fill_screen(void) {
    pixman_fill((uint32_t *)(void *)pixels, W / 2, 16, 0, 0, W, H, 0x0410);
}
static void pixman_copy_screen(void) {
    pixman_image_composite32(PIXMAN_OP_SRC, from, NULL, to, 0, 0, 0, 0, 0, 0, W, H);
}
static void pixman_text(void) {
    for (int i = 0; i < 51; i++) {
        pixman_image_composite32(PIXMAN_OP_OVER, white, glyph_mask, to, 0, 0, 0, 0, 3 + i * 6, 100,
                                 6, 8);
    }
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

static void compare(const char *what, void (*ours)(void), const char *with, void (*theirs)(void)) {
    double best_ours = 1e9, best_theirs = 1e9;
    for (int i = 0; i < ROUNDS; i++) {
        best_ours = fmin(best_ours, seconds_of(ours, 8));
        best_theirs = fmin(best_theirs, seconds_of(theirs, 8));
    }
    printf("  %-34s %8.2f us   %-28s %8.2f us   speed %.2f\n", what, best_ours / 8 * 1e6, with,
           best_theirs / 8 * 1e6, best_theirs / best_ours);
}

static void rate(const char *what, void (*work)(void), int units, const char *unit) {
    double best = 1e9;
    for (int i = 0; i < ROUNDS; i++) {
        best = fmin(best, seconds_of(work, 4));
    }
    printf("  %-34s %8.2f us   %12.0f %s a second\n", what, best / 4 * 1e6, units * 4 / best, unit);
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
    {"present_332", present_332}, {"present_palette", present_palette},
};

enum { CASES = sizeof cases / sizeof cases[0] };

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
    printf("Drawing on a 5-6-5 frame of %dx%d; best of %d\n", W, H, ROUNDS);
    compare("fill the screen", fill_screen, "memset", set_memory);
    compare("copy the screen", copy_screen, "memcpy row by row", copy_memory);
    compare("copy a sprite of 64x64", copy_sprite, "memcpy row by row", copy_memory_sprite);
#ifdef HAVE_PIXMAN
    pixman_open();
    compare("fill the screen", fill_screen, "pixman fill", pixman_fill_screen);
    compare("copy the screen", copy_screen, "pixman composite", pixman_copy_screen);
    compare("51 characters, transparent", text_clear, "51 pixman glyph composites", pixman_text);
    compare("51 characters, opaque", text_opaque, "51 pixman glyph composites", pixman_text);
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
    rate("gradient over the screen", gradient, 1, "gradients");
    rate("blend over a quarter", blend_half, 1, "blends");
    rate("present 3-3-2 as 5-6-5, no wire", present_332, W * H, "pixels");
    rate("present 16 colours as 5-6-5", present_palette, W * H, "pixels");
    rate("1-bit vertical bytes: fill 126x58", mono_fill, 1, "fills");
    rate("1-bit vertical bytes: text", mono_text, 21, "glyphs");
    return 0;
}
