/*
 * Pictures in other sizes and directions, tiles, and squares for pixels: against the definitions
 * in transform.h and magnify.h, asked of every pixel.
 */
#include <math.h>
#include <stdlib.h>
#include <string.h>

#include "harness.h"
#include "jadelamp/jadelamp.h"
#include "naive.h"

enum { W = 80, H = 60, SIDE_W = 23, SIDE_H = 17 };

static uint8_t memory[JL_RGB888_BYTES(W, H)], other[JL_RGB888_BYTES(W, H)];
static uint8_t picture[JL_RGB888_BYTES(SIDE_W, SIDE_H)], mask[12 * SIDE_H];

static struct jl_frame fresh(uint8_t *bytes) {
    struct jl_frame frame;
    EXPECT_INT(jl_frame_init(&frame, &jl_rgb888, W, H, bytes, sizeof memory), JL_OK);
    jl_clear(&frame.target, JL_GREY(10));
    return frame;
}

/* Anything, with a mask of fifteenths or without. */
static struct jl_image random_image(struct test_random *random, bool masked) {
    for (size_t i = 0; i < sizeof picture; i++) {
        picture[i] = (uint8_t)test_random_next(random);
    }
    for (size_t i = 0; i < sizeof mask; i++) {
        mask[i] = (uint8_t)(test_random_next(random) & (i % 3 ? 0xFF : 0xF0));
    }
    return (struct jl_image){.format = &jl_rgb888,
                             .width = SIDE_W,
                             .height = SIDE_H,
                             .pixels = picture,
                             .mask = masked ? mask : NULL,
                             .mask_bits = 4};
}

/* ---- the reference: colours with what is there of them, 0..1 ---- */

struct seen {
    double red, green, blue, there;
};

static void add_pixel(struct seen *sum, const struct jl_image *image, int x, int y) {
    if (x < 0 || y < 0 || x >= image->width || y >= image->height) {
        return;
    }
    const uint8_t *at = image->pixels + (y * image->width + x) * 3;
    int nibble = image->mask ? image->mask[y * 12 + x / 2] >> (x % 2 ? 0 : 4) & 15 : 15;
    sum->red += at[0] * nibble / 15.0;
    sum->green += at[1] * nibble / 15.0;
    sum->blue += at[2] * nibble / 15.0;
    sum->there += nibble / 15.0;
}

/* The mean of `count` places over the grey ground, against what was drawn: within a rounding. */
static void expect_mean(const struct seen *sum, int count, int x, int y) {
    const uint8_t *at = memory + (y * W + x) * 3;
    double there = sum->there / count;
    const double channels[3] = {sum->red, sum->green, sum->blue};
    for (int i = 0; i < 3; i++) {
        double mean = sum->there > 0 ? channels[i] / sum->there : 0;
        double expected = mean * there + 10 * (1 - there);
        test_row("%d, %d: %d instead of %.2f", x, y, at[i], expected);
        if (!EXPECT(fabs(at[i] - expected) <= 1.6)) {
            return;
        }
    }
}

static void sizes(void) {
    static const int widths[] = {1, 2, 7, SIDE_W, 24, 46, 61}, heights[] = {1, 3, SIDE_H, 18, 40};
    struct test_random random = {3};
    for (int round = 0; round < 7 * 5 * 4; round++) {
        struct jl_image image = random_image(&random, round & 1);
        struct jl_frame frame = fresh(memory);
        enum jl_sampling sampling = round & 2 ? JL_SAMPLE_BOX : JL_SAMPLE_NEAREST;
        struct jl_rect from = {(int16_t)(round % 5), (int16_t)(round % 3),
                               (int16_t)(SIDE_W - round % 7), (int16_t)(SIDE_H - round % 4)};
        struct jl_rect to = {(int16_t)(round % 30 - 5), (int16_t)(round % 20 - 3),
                             (int16_t)widths[round / 4 % 7], (int16_t)heights[round / 28]};
        uint8_t flips = (uint8_t)(round % 4);
        jl_draw_scaled(&frame.target, to, &image, round % 11 ? &from : NULL, sampling, flips);
        from = round % 11 ? jl_rect_intersect(from, (struct jl_rect){0, 0, SIDE_W, SIDE_H})
                          : (struct jl_rect){0, 0, SIDE_W, SIDE_H};
        for (int i = 0; i < W * H; i++) {
            int x = i % W - to.x, y = i / W - to.y, count = 0;
            struct seen sum = {0};
            if (x < 0 || y < 0 || x >= to.w || y >= to.h) {
                EXPECT_INT(memory[3 * i], 10);
                continue;
            }
            int mx = flips & JL_FLIP_X ? to.w - 1 - x : x,
                my = flips & JL_FLIP_Y ? to.h - 1 - y : y;
            int x0 = mx * from.w / to.w, x1 = (mx + 1) * from.w / to.w;
            int y0 = my * from.h / to.h, y1 = (my + 1) * from.h / to.h;
            if (sampling == JL_SAMPLE_NEAREST) {
                x0 = (int)floor((mx + 0.5) * from.w / to.w);
                y0 = (int)floor((my + 0.5) * from.h / to.h);
                x1 = y1 = 0;
            }
            for (int sy = y0; sy < (y1 > y0 ? y1 : y0 + 1); sy++) {
                for (int sx = x0; sx < (x1 > x0 ? x1 : x0 + 1); sx++, count++) {
                    add_pixel(&sum, &image, from.x + sx, from.y + sy);
                }
            }
            expect_mean(&sum, count, i % W, i / W);
        }
    }
}

/* The places of a pixel, turned back by sine and cosine of the C library. Where one is so near the
 * edge of a pixel that a rounding decides, either is right: such pixels are left out, and counted.
 */
static void angles(void) {
    struct test_random random = {5};
    int looked_at = 0, inside = 0;
    for (int round = 0; round < 60; round++) {
        struct jl_image image = random_image(&random, round & 1);
        struct jl_frame frame = fresh(memory);
        enum jl_sampling sampling = round & 2 ? JL_SAMPLE_BOX : JL_SAMPLE_NEAREST;
        jl_direction turn =
            round < 8 ? (jl_direction)(round * 16384) : (jl_direction)test_random_next(&random);
        struct jl_point at = {(int16_t)test_random_between(&random, 0, W * 16),
                              (int16_t)test_random_between(&random, 0, H * 16)};
        struct jl_point pivot = {(int16_t)test_random_between(&random, -100, 500),
                                 (int16_t)test_random_between(&random, -100, 400)};
        jl_draw_turned(&frame.target, at, &image, pivot, turn, sampling);
        double angle = turn * 2 * acos(-1) / 65536, c = cos(angle), s = sin(angle);
        for (int i = 0; i < W * H; i++) {
            int count = sampling == JL_SAMPLE_BOX ? 4 : 1;
            struct seen sum = {0};
            bool doubtful = false;
            for (int k = 0; k < count; k++) {
                double x = i % W + (count == 4 ? k % 2 / 2.0 + 0.25 : 0.5) - at.x / 16.0;
                double y = i / W + (count == 4 ? k / 2 / 2.0 + 0.25 : 0.5) - at.y / 16.0;
                double u = pivot.x / 16.0 + x * c + y * s, v = pivot.y / 16.0 - x * s + y * c;
                doubtful |= fabs(u - floor(u + 0.5)) < 0.02 || fabs(v - floor(v + 0.5)) < 0.02;
                add_pixel(&sum, &image, (int)floor(u), (int)floor(v));
            }
            if (!doubtful) {
                looked_at++;
                inside += sum.there > 0;
                expect_mean(&sum, count, i % W, i / W);
            }
        }
    }
    EXPECT(looked_at > 60 * W * H * 2 / 3);
    EXPECT(inside > 3000);
}

static struct jl_sheet sheet_of(const struct jl_image *image) {
    return (struct jl_sheet){image, 7, 5}; /* 3 x 3 of 7 x 5, and some pixels over */
}

static void tiles(void) {
    struct test_random random = {9};
    struct jl_image image = random_image(&random, true);
    struct jl_sheet sheet = sheet_of(&image);
    EXPECT_INT(jl_sheet_count(&sheet), 9);
    for (uint16_t index = 0; index < 10; index++) {
        for (uint8_t flips = 0; flips < 4; flips++) {
            struct jl_frame frame = fresh(memory);
            jl_draw_tile(&frame.target, 30, 20, &sheet, index, flips);
            test_row("tile %d, flips %d", index, flips);
            for (int i = 0; i < W * H; i++) {
                int x = i % W - 30, y = i / W - 20;
                struct seen sum = {0};
                if (x >= 0 && y >= 0 && x < 7 && y < 5 && index < 9) {
                    add_pixel(&sum, &image, index % 3 * 7 + (flips & JL_FLIP_X ? 6 - x : x),
                              index / 3 * 5 + (flips & JL_FLIP_Y ? 4 - y : y));
                }
                expect_mean(&sum, 1, i % W, i / W);
            }
        }
    }
    /* A map is its tiles. */
    static const uint8_t map[2 * 3] = {4, 0, 8, 200, 7, 3};
    struct jl_frame frame = fresh(memory), single = fresh(other);
    jl_draw_tiles(&frame.target, -3, 50, &sheet, map, 3, 2);
    for (int16_t i = 0; i < 6; i++) {
        jl_draw_tile(&single.target, (int16_t)(-3 + i % 3 * 7), (int16_t)(50 + i / 3 * 5), &sheet,
                     map[i], JL_FLIP_NONE);
    }
    EXPECT_BYTES(memory, other, sizeof memory);
    /* No tiles, and places where the sheet's own corner would be off all coordinates. */
    EXPECT_INT(jl_sheet_count(&(struct jl_sheet){&image, 0, 5}), 0);
    EXPECT_INT(jl_sheet_count(&(struct jl_sheet){&image, 7, -1}), 0);
    EXPECT_INT(jl_sheet_count(&(struct jl_sheet){&image, 24, 5}), 0);
    jl_draw_tile(&frame.target, INT16_MIN, INT16_MIN, &sheet, 8, JL_FLIP_NONE);
    EXPECT_BYTES(memory, other, sizeof memory);
}

/* What is drawn larger, and the same drawn as it is and copied square by square. */
static void squares(void) {
    static const struct jl_text_style style = {
        .font = &jl_font_6x8, .ink = JL_YELLOW, .paper = JL_CLEAR};
    static const struct jl_text_style soft = {
        .font = &jl_font_sans16, .ink = JL_WHITE, .paper = JL_NAVY};
    static const uint8_t bits[2 * 9] = {0x81, 0x42, 0x24, 0x18, 0xFF, 0x18, 0x24, 0x42, 0x81,
                                        0x01, 0x02, 0x03, 0x00, 0x01, 0x03, 0x02, 0x01, 0x03};
    static const struct jl_bitmap map = {bits, 9, 10, &jl_bits_columns};
    struct test_random random = {31};
    for (int round = 0; round < 120; round++) {
        struct jl_frame large = fresh(memory), small = fresh(other);
        struct jl_magnified magnified;
        struct jl_image image = random_image(&random, true);
        uint8_t factor = (uint8_t)(1 + round % 7);
        int16_t x = (int16_t)test_random_between(&random, -20, 60);
        int16_t y = (int16_t)test_random_between(&random, -20, 40);
        jl_magnify(&magnified, &large.target, x, y, round % 7 ? factor : 0);
        struct jl_target *targets[2] = {&magnified.target, &small.target};
        for (int i = 0; i < 2; i++) {
            switch (round / 7 % 5) {
            case 0:
                jl_text(targets[i], 1, 2, "Qg7", &style);
                break;
            case 1:
                jl_text(targets[i], 0, 0, "Qg7", &soft);
                break;
            case 2:
                jl_draw_bitmap(targets[i], 2, 1, &map, JL_LIME, round & 1 ? JL_CLEAR : JL_PURPLE);
                break;
            case 3:
                jl_draw_image(targets[i], 3, 1, &image);
                break;
            default:
                jl_fill_circle(targets[i], 7, 8, 6, JL_RED);
                jl_draw_line(targets[i], 0, 0, 20, 9, JL_AQUA);
            }
        }
        int wrong = 0;
        for (int i = 0; i < W * H; i++) {
            int dx = i % W - x, dy = i / W - y;
            const uint8_t *seen = memory + 3 * i, ground[3] = {10, 10, 10}, *expected = ground;
            if (dx >= 0 && dy >= 0 && dx / factor < W && dy / factor < H) {
                expected = other + (dy / factor * W + dx / factor) * 3;
            }
            wrong += memcmp(seen, expected, 3) != 0;
        }
        test_row("%d: by %d at %d, %d", round, factor, x, y);
        EXPECT_INT(wrong, 0);
    }
}

/* On a turned target, with a clip, in a mode: what holds there holds for the squares. */
static void squares_obey(void) {
    struct jl_frame frame = fresh(memory);
    struct jl_magnified magnified;
    jl_target_turn(&frame.target, JL_TURN_90);
    struct jl_rect before = jl_target_clip(&frame.target, (struct jl_rect){0, 0, 10, 10});
    EXPECT(jl_target_mode(&frame.target, JL_MODE_INVERT, 0));
    jl_magnify(&magnified, &frame.target, 4, 2, 3);
    EXPECT_INT(magnified.target.width, 19); /* (60 - 4) / 3, rounded up */
    EXPECT_INT(magnified.target.height, 26);
    EXPECT(!jl_target_mode(&magnified.target, JL_MODE_BLEND, 100));
    jl_fill_rect(&magnified.target, (struct jl_rect){0, 0, 2, 30}, JL_GREY(0xF0));
    jl_target_unclip(&frame.target, before);
    for (int i = 0; i < W * H; i++) {
        int x = i / W, y = W - 1 - i % W; /* of the picture, turned by 90 degrees */
        bool set = x >= 4 && x < 10 && y >= 2 && y < 10;
        EXPECT_INT(memory[3 * i], set ? 10 ^ 0xF0 : 10);
    }
}

/* Whatever the numbers: it ends, and stays within the frame. */
static void absurd(void) {
    struct test_random random = {77};
    struct jl_image image = random_image(&random, true);
    struct jl_sheet sheet = sheet_of(&image);
    struct jl_frame frame = fresh(memory);
    struct jl_magnified magnified;
    for (int round = 0; round < 3000; round++) {
        int16_t n[8];
        for (int i = 0; i < 8; i++) {
            n[i] = test_random_coordinate(&random, 100);
        }
        struct jl_rect to = {n[0], n[1], n[2], n[3]}, from = {n[4], n[5], n[6], n[7]};
        enum jl_sampling sampling = round & 1 ? JL_SAMPLE_BOX : JL_SAMPLE_NEAREST;
        jl_draw_scaled(&frame.target, to, &image, &from, sampling, (uint8_t)(round & 3));
        jl_draw_turned(&frame.target, (struct jl_point){n[0], n[1]}, &image,
                       (struct jl_point){n[2], n[3]}, (jl_direction)n[4], sampling);
        jl_draw_tile(&frame.target, n[0], n[1], &sheet, (uint16_t)n[2], (uint8_t)(round & 3));
        jl_magnify(&magnified, &frame.target, n[0], n[1], (uint8_t)n[2]);
        jl_draw_line(&magnified.target, n[3], n[4], n[5], n[6], JL_WHITE);
        jl_draw_image(&magnified.target, n[3], n[4], &image);
    }
    static uint8_t large_picture[4000];
    struct jl_image large = {
        .format = &jl_mono_rows, .width = 32000, .height = 1, .pixels = large_picture};
    frame = fresh(memory);
    jl_draw_turned(&frame.target, jl_fine_middle(0, 0), &large, (struct jl_point){0, 0}, 0,
                   JL_SAMPLE_NEAREST);
    EXPECT_INT(memory[0], 10); /* too large to be turned: nothing */
    jl_draw_scaled(&frame.target, (struct jl_rect){0, 0, 4, 1}, &large, NULL, JL_SAMPLE_BOX, 0);
    EXPECT_INT(memory[0], 0);
}

const struct test_group test_groups[] = {
    {"sizes", sizes},
    {"angles", angles},
    {"tiles", tiles},
    {"squares", squares},
    {"squares_obey", squares_obey},
    {"absurd", absurd},
    {NULL, NULL},
};
