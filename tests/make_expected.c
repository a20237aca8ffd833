/*
 * Writes the expected pictures into a folder, from the naive reference alone:
 * no driver, no emulator and no drawing code of the library runs here. Run by
 * hand when a picture is meant to change, and look at the result.
 */
#include <stdio.h>
#include <string.h>

#include "jadelamp/host/png.h"
#include "naive.h"

static struct naive sheet;

static bool save(const char *directory, const char *name) {
    char path[600];
    struct jl_picture picture;
    struct jl_complaint complaint;
    snprintf(path, sizeof path, "%s/%s.png", directory, name);
    if (!naive_picture(&sheet, &picture) || !jl_png_write(path, &picture, &complaint)) {
        fprintf(stderr, "%s\n", complaint.text);
        return false;
    }
    jl_picture_free(&picture);
    return true;
}

/* A boat as text art: what examples/bitmap_scroll.c has in bytes. */
static const char *const boat[16] = {
    "...........#............", "..........##............", ".........###............",
    "........####.#..........", ".......#####.##.........", "......######.###........",
    ".....#######.####.......", "....########.#####......", "...#########.######.....",
    "...........#............", "...........#............", "########################",
    ".######################.", "..####################..", "...##################...",
    "....################....",
};

/* 30 steps: 700 ms / (2 frames of 66 * 64 clocks at 370 kHz) = 30.66, rounded down. */
static void ferry_after_scroll(void) {
    enum { STEPS = 30, BAND_TOP = 24, BAND_END = 48, WIDTH = 128 };
    static struct naive start;
    naive_init(&start, WIDTH, 64);
    naive_text(&start, 34, 2, "FERRY DUE", JL_WHITE, JL_BLACK);
    for (int y = 0; y < 16; y++) {
        for (int x = 0; x < 24; x++) {
            naive_put(&start, 20 + x, 24 + y, boat[y][x] == '#' ? JL_WHITE : JL_BLACK);
        }
    }
    for (int x = 0; x < WIDTH; x += 16) {
        naive_line(&start, x, 42, x + 8, 45, JL_WHITE);
        naive_line(&start, x + 8, 45, x + 16, 42, JL_WHITE);
    }
    naive_init(&sheet, WIDTH, 64);
    for (int y = 0; y < 64; y++) {
        for (int x = 0; x < WIDTH; x++) {
            bool moves = y >= BAND_TOP && y < BAND_END;
            sheet.px[y][x] = JL_WHITE ^ start.px[y][moves ? (x + WIDTH - STEPS) % WIDTH : x];
        }
    }
}

int main(int argc, char **argv) {
    static const struct { int width, height; } sizes[] = {{128, 64}, {128, 32}, {64, 48}, {72, 40}};
    const char *directory = argc > 1 ? argv[1] : ".";
    bool good = true;
    for (int i = 0; i < 4; i++) {
        char name[64];
        snprintf(name, sizeof name, "test-card-%dx%d", sizes[i].width, sizes[i].height);
        naive_init(&sheet, sizes[i].width, sizes[i].height);
        naive_test_card(&sheet, "ssd1306");
        good = save(directory, name) && good;
    }
    naive_init(&sheet, 128, 64);
    naive_text(&sheet, 10, 28, "Hello, Heron Quay!", JL_WHITE, JL_BLACK);
    good = save(directory, "hello") && good;
    ferry_after_scroll();
    good = save(directory, "bitmap_scroll") && good;
    return good ? 0 : 1;
}
