/*
 * What baked pictures and fonts cost: flash of each form, and the time to draw it against a
 * memcpy of its plain bytes, side by side in one run.
 */
#define _POSIX_C_SOURCE 200809L
#include <stdio.h>
#include <stdlib.h>
#include <string.h>
#include <time.h>

#include "jadelamp/draw.h"
#include "jadelamp/host/bake_font.h"
#include "jadelamp/host/bake_picture.h"

enum { W = 240, H = 320, ROUNDS = 40 };

static uint8_t memory[W * H * 3], other[W * H * 3];

static double now_us(void) {
    struct timespec time;
    clock_gettime(CLOCK_MONOTONIC, &time);
    return (double)time.tv_sec * 1e6 + (double)time.tv_nsec / 1e3;
}

/* The drawing's share of colours and edges: the demo's tide board as a photo has it. */
static void measure_picture(const char *source, const char *name, bool plain) {
    struct jl_complaint complaint = {""};
    struct jl_pixmap pixmap;
    struct jl_baked_picture baked;
    struct jl_frame frame;
    struct jl_picture_recipe recipe = {.format = jl_bake_format(name),
                                       .width = W,
                                       .height = H,
                                       .fit = JL_BAKE_STRETCH,
                                       .dither = JL_BAKE_ORDERED,
                                       .plain = plain};
    double start = now_us();
    if (!jl_pixmap_read(source, &pixmap, &complaint) ||
        !jl_bake_pixmap(&pixmap, &recipe, &baked, &complaint)) {
        fprintf(stderr, "bench: %s\n", complaint.text);
        exit(1);
    }
    double baking = now_us() - start;
    bool indexed = baked.palette_count > 0;
    if (jl_frame_init(&frame, indexed ? &jl_rgb565 : recipe.format, W, H, memory, sizeof memory) !=
        JL_OK) {
        exit(1);
    }
    start = now_us();
    for (int i = 0; i < ROUNDS; i++) {
        jl_draw_image(&frame.target, 0, 0, &baked.image);
    }
    double drawing = (now_us() - start) / ROUNDS;
    start = now_us();
    for (int i = 0; i < ROUNDS; i++) {
        memcpy(memory, other, baked.plain_bytes);
        __asm__ volatile("" ::"r"(memory) : "memory"); /* or the copies would be one */
    }
    double copying = (now_us() - start) / ROUNDS;
    printf("  %-16s %-6s %7zu of %7zu bytes  drawn in %8.1f us, %6.1f ns a pixel, memcpy %6.1f us  "
           "baked in %6.1f ms\n",
           name, plain ? "plain" : "packed", baked.pixel_bytes, baked.plain_bytes, drawing,
           drawing * 1e3 / (W * H), copying, baking / 1e3);
    jl_baked_picture_free(&baked);
    jl_pixmap_free(&pixmap);
}

static void measure_font(const char *path, const char *ranges, int pixels, int bits) {
    static struct jl_code_set wanted;
    struct jl_baked_font baked;
    struct jl_complaint complaint = {""};
    memset(&wanted, 0, sizeof wanted);
    jl_code_set_add_ranges(&wanted, ranges);
    double start = now_us();
    if (!jl_bake_font(path, pixels, bits, &wanted, &baked, &complaint)) {
        printf("  %s\n", complaint.text);
        return;
    }
    printf("  %-28s %2d pixels, %d bit%s %5d characters %7zu bytes  baked in %6.1f ms\n",
           baked.family, pixels, bits, bits > 1 ? "s" : " ", baked.glyphs, baked.bytes,
           (now_us() - start) / 1e3);
    jl_baked_font_free(&baked);
}

int main(int argc, char **argv) {
    static const char *const formats[] = {"mono-columns", "grey4", "palette4",       "palette8",
                                          "3-3-2",        "5-6-5", "black-white-red"};
    const char *sans = "/usr/share/fonts/truetype/dejavu/DejaVuSans.ttf";
    if (argc < 2) {
        fprintf(stderr, "bench_bake: name a picture\n");
        return 2;
    }
    printf("A picture of %d x %d, baked from %s\n", W, H, argv[1]);
    for (size_t i = 0; i < sizeof formats / sizeof formats[0]; i++) {
        measure_picture(argv[1], formats[i], true);
        measure_picture(argv[1], formats[i], false);
    }
    puts("Fonts");
    measure_font(sans, "20-7E", 12, 1);
    measure_font(sans, "20-7E", 24, 1);
    measure_font(sans, "20-7E", 24, 4);
    measure_font(sans, "20-45F", 16, 1);
    measure_font("/usr/share/fonts/truetype/wqy/wqy-microhei.ttc", "20-7E,4E00-62FF", 16, 1);
    return 0;
}
