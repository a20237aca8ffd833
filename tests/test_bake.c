/* Baking pictures: from files that people have to bytes that a panel shows. */
#include <gd.h>
#include <limits.h>
#include <stdio.h>
#include <stdlib.h>
#include <string.h>
#include <unistd.h>

#include "harness.h"
#include "jadelamp/draw.h"
#include "jadelamp/host/bake_picture.h"
#include "jadelamp/host/file.h"
#include "jadelamp/host/png.h"
#include "kinds.h"
#include "shell.h"

static struct jl_complaint complaint;
static char path[64];

static const char *file_path(const char *name) {
    snprintf(path, sizeof path, "bake-%ld-%s", (long)getpid(), name);
    return path;
}

static void put_file(const char *name, const void *bytes, size_t count) {
    EXPECT(jl_file_put(file_path(name), bytes, count, &complaint));
}

/* A picture with a diagonal, a gradient and some noise: no two ways up are alike. */
static void test_color(int x, int y, uint8_t rgb[3]) {
    rgb[0] = (uint8_t)(x * 9);
    rgb[1] = (uint8_t)(y * 12);
    rgb[2] = (uint8_t)(x == y ? 255 : (x * 31 + y * 17) & 0x7F);
}

static void make_pixmap(struct jl_pixmap *pixmap, int width, int height) {
    EXPECT(jl_pixmap_create(pixmap, width, height));
    for (int i = 0; i < width * height; i++) {
        test_color(i % width, i / width, pixmap->rgba + i * 4);
        pixmap->rgba[i * 4 + 3] = 255;
    }
}

/* ---- files ---- */

static void put_picture_file(const char *kind, gdImagePtr image) {
    int size = 0;
    void *bytes = strcmp(kind, "png") == 0    ? gdImagePngPtr(image, &size)
                  : strcmp(kind, "gif") == 0  ? gdImageGifPtr(image, &size)
                  : strcmp(kind, "bmp") == 0  ? gdImageBmpPtr(image, &size, 0)
                  : strcmp(kind, "bmpc") == 0 ? gdImageBmpPtr(image, &size, 1)
                                              : gdImageJpegPtr(image, &size, 98);
    put_file("in", bytes, (size_t)size);
    gdFree(bytes);
}

static void files_are_read(void) {
    static const struct {
        const char *kind;
        int colors, tolerance;
    } rows[] = {{"png", 0, 0},  {"bmp", 0, 0},  {"jpeg", 0, 40},
                {"gif", 16, 0}, {"png", 16, 0}, {"bmpc", 16, 0}};
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        struct jl_pixmap pixmap;
        gdImagePtr image = gdImageCreateTrueColor(23, 19);
        for (int k = 0; k < 23 * 19; k++) {
            uint8_t rgb[3];
            test_color(k % 23, k / 23, rgb);
            gdImageSetPixel(image, k % 23, k / 23, gdTrueColor(rgb[0], rgb[1], rgb[2]));
        }
        if (rows[i].colors) {
            gdImageTrueColorToPalette(image, 0, rows[i].colors);
        }
        test_row("%s, %d colours", rows[i].kind, rows[i].colors);
        put_picture_file(rows[i].kind, image);
        if (EXPECT(jl_pixmap_read(path, &pixmap, &complaint))) {
            EXPECT_INT(pixmap.width, 23);
            EXPECT_INT(pixmap.height, 19);
            int worst = 0;
            for (int k = 0; k < 23 * 19; k++) {
                int color = gdImageGetTrueColorPixel(image, k % 23, k / 23);
                const uint8_t *p = pixmap.rgba + k * 4;
                int off = abs(p[0] - gdTrueColorGetRed(color)) +
                          abs(p[1] - gdTrueColorGetGreen(color)) +
                          abs(p[2] - gdTrueColorGetBlue(color));
                worst = off > worst ? off : worst;
                EXPECT_INT(p[3], 255);
            }
            EXPECT(worst <= rows[i].tolerance * 3);
        }
        jl_pixmap_free(&pixmap);
        gdImageDestroy(image);
    }
    remove(path);
}

/* Claims that nobody has memory for, and bytes that are no picture. */
static void bad_files_are_refused(void) {
    static const uint8_t huge_png[33] = {0x89, 'P', 'N', 'G', 13,  10,  26, 10, 0, 0,
                                         0,    13,  'I', 'H', 'D', 'R', 0,  1,  0, 0,
                                         0,    1,   0,   0,   8,   2,   0,  0,  0},
                         zero_png[33] = {0x89, 'P', 'N', 'G', 13,  10,  26, 10, 0, 0,
                                         0,    13,  'I', 'H', 'D', 'R', 0,  0,  0, 0,
                                         0,    0,   0,   1,   8,   2,   0,  0,  0},
                         huge_gif[16] = {'G', 'I', 'F', '8', '9', 'a', 0xFF, 0x3F, 0xFF, 0x3F},
                         huge_bmp[40] = {'B', 'M', 0, 0, 0, 0, 0, 0, 0, 0, 54, 0, 0, 0, 40,
                                         0,   0,   0, 0, 0, 1, 0, 0, 0, 1, 0,  1, 0, 24},
                         old_bmp[30] = {'B', 'M', 0, 0, 0, 0, 0, 0,    0,    0, 26, 0, 0,
                                        0,   12,  0, 0, 0, 0, 0, 0xFF, 0xFF, 1, 0,  24},
                         /* rows from the top: the height is negative */
        flipped_bmp[40] = {'B', 'M', 0, 0, 0, 0, 0, 0, 0, 0,    54,   0, 0, 0, 40,
                           0,   0,   0, 0, 0, 1, 0, 1, 0, 0xFF, 0xFF, 1, 0, 24},
                         filled_jpeg[40] = {0xFF, 0xD8, 0xFF, 0xFF, 0xC4, 0, 4, 1, 2,    0xFF, 0xC8,
                                            0,    3,    0,    0xFF, 0xCC, 0, 3, 0, 0xFF, 0xD0, 0,
                                            2,    0xFF, 0xC2, 0,    11,   8, 0, 0, 0,    5,    1},
                         cut_jpeg[20] = {0xFF, 0xD8, 0xFF, 0xE0, 0, 4, 1, 2, 0, 1},
                         huge_jpeg[24] = {0xFF, 0xD8, 0xFF, 0xE0, 0,    4,    1,    2,    0xFF,
                                          0xC0, 0,    11,   8,    0xFF, 0xFF, 0xFF, 0xFF, 1},
                         text[] = "no picture at all, but long enough to look at";
    static const struct {
        const uint8_t *bytes;
        size_t count;
        const char *says;
    } rows[] = {
        {huge_png, sizeof huge_png, "a PNG picture of 65536 x 65536: expected 1 to 16384"},
        {zero_png, sizeof zero_png, "a PNG picture of 0 x 1"},
        {huge_gif, sizeof huge_gif, "a GIF picture of 16383 x 16383"},
        {huge_bmp, sizeof huge_bmp, "a BMP picture of 65536 x 65536"},
        {huge_jpeg, sizeof huge_jpeg, "a JPEG picture of 65535 x 65535"},
        {old_bmp, sizeof old_bmp, "a BMP picture of 0 x 65535"},
        {flipped_bmp, sizeof flipped_bmp, "a BMP picture of 65536 x 65535"},
        {filled_jpeg, sizeof filled_jpeg, "a JPEG picture of 5 x 0"},
        {cut_jpeg, sizeof cut_jpeg, "expected a PNG, JPEG, GIF or BMP"},
        {text, sizeof text, "expected a PNG, JPEG, GIF or BMP"},
        {text, 1, "expected a PNG, JPEG, GIF or BMP"},
        {text, 0, "it has 0 bytes"},
    };
    struct jl_pixmap pixmap;
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        test_row("%s", rows[i].says);
        put_file("in", rows[i].bytes, rows[i].count);
        EXPECT(!jl_pixmap_read(path, &pixmap, &complaint));
        EXPECT_CONTAINS(complaint.text, rows[i].says);
        EXPECT(!pixmap.rgba);
    }
    remove(path);
    EXPECT(!jl_pixmap_read("/", &pixmap, &complaint));
    EXPECT_CONTAINS(complaint.text, "directory");
    EXPECT(!jl_pixmap_read("nothing/here", &pixmap, &complaint));
    EXPECT_CONTAINS(complaint.text, "cannot read the picture nothing/here");
}

/* Sizes that no picture has, and parts that do not lie within one: refused, and nothing is lost. */
static void sizes_are_looked_at(void) {
    static const struct {
        long width, height;
        bool good;
    } sizes[] = {{1, 1, true},      {0, 1, false},    {1, 0, false},         {-1, 4, false},
                 {4, -1, false},    {16384, 1, true}, {16385, 1, false},     {1, 16384, true},
                 {1, 16385, false}, {5, 4, true},     {16384, 16384, false}, {INT_MIN, 1, false}};
    static const struct {
        int x, y, width, height;
        bool good;
    } parts[] = {{0, 0, 6, 4, true},  {-1, 0, 2, 2, false}, {0, -1, 2, 2, false},
                 {7, 0, 1, 1, false}, {0, 5, 1, 1, false},  {5, 0, 2, 1, false},
                 {0, 3, 1, 2, false}, {6, 0, 0, 1, false},  {5, 3, 1, 1, true},
                 {0, 0, 1, 0, false}};
    struct jl_pixmap pixmap;
    for (size_t i = 0; i < sizeof sizes / sizeof sizes[0]; i++) {
        test_row("%ld x %ld", sizes[i].width, sizes[i].height);
        bool made = jl_pixmap_create(&pixmap, (int)sizes[i].width, (int)sizes[i].height);
        EXPECT_INT(made, sizes[i].good);
        jl_pixmap_free(&pixmap);
    }
    for (size_t i = 0; i < sizeof parts / sizeof parts[0]; i++) {
        test_row("part %zu", i);
        EXPECT(jl_pixmap_create(&pixmap, 6, 4));
        for (int k = 0; k < 6 * 4 * 4; k++) {
            pixmap.rgba[k] = (uint8_t)(k / 4);
        }
        EXPECT_INT(jl_pixmap_crop(&pixmap, parts[i].x, parts[i].y, parts[i].width, parts[i].height),
                   parts[i].good);
        EXPECT_INT(pixmap.width, parts[i].good ? parts[i].width : 6);
        EXPECT_INT(pixmap.rgba[0], parts[i].good ? parts[i].y * 6 + parts[i].x : 0);
        jl_pixmap_free(&pixmap);
    }
}

/* Files cut short and with wrong bytes: a picture or a complaint, never more. */
static void damaged_files(void) {
    static const char *const kinds_of_file[] = {"png", "gif", "bmp", "bmpc", "jpeg"};
    struct test_random random = {77};
    for (int i = 0; i < 5; i++) {
        gdImagePtr image = gdImageCreate(20, 10);
        int size = 0;
        gdImageColorAllocate(image, 10, 20, 30);
        gdImageLine(image, 0, 0, 19, 9, gdImageColorAllocate(image, 200, 100, 0));
        put_picture_file(kinds_of_file[i], image);
        uint8_t whole[4000], damaged[4000];
        FILE *file = fopen(path, "rb");
        size = (int)fread(whole, 1, sizeof whole, file);
        fclose(file);
        gdImageDestroy(image);
        for (int turn = 0; turn < 120; turn++) {
            struct jl_pixmap pixmap;
            int cut = turn & 1 ? size : test_random_between(&random, 1, size);
            memcpy(damaged, whole, sizeof whole);
            for (int k = test_random_between(&random, 0, 4); k; k--) {
                damaged[test_random_between(&random, 0, size - 1)] =
                    (uint8_t)test_random_next(&random);
            }
            test_row("%s, %d of %d bytes", kinds_of_file[i], cut, size);
            put_file("in", damaged, (size_t)cut);
            bool good = jl_pixmap_read(path, &pixmap, &complaint);
            EXPECT(good == (pixmap.rgba != NULL));
            jl_pixmap_free(&pixmap);
        }
    }
    remove(path);
}

/* ---- size and place ---- */

static bool has_color(const struct jl_pixmap *pixmap, int x, int y, int from_x, int from_y) {
    uint8_t rgb[3];
    test_color(from_x, from_y, rgb);
    return memcmp(pixmap->rgba + (y * pixmap->width + x) * 4, rgb, 3) == 0;
}

static void cuts_and_turns(void) {
    struct jl_pixmap pixmap;
    make_pixmap(&pixmap, 12, 7);
    EXPECT(!jl_pixmap_crop(&pixmap, 10, 0, 3, 3));
    EXPECT(!jl_pixmap_crop(&pixmap, -1, 0, 3, 3));
    EXPECT(!jl_pixmap_crop(&pixmap, 0, 0, 0, 3));
    EXPECT(jl_pixmap_crop(&pixmap, 2, 1, 9, 5));
    for (int i = 0; i < 45; i++) {
        EXPECT(has_color(&pixmap, i % 9, i / 9, i % 9 + 2, i / 9 + 1));
    }
    EXPECT(jl_pixmap_turn(&pixmap, 1)); /* the left column becomes the upper row, from below */
    EXPECT_INT(pixmap.width, 5);
    for (int i = 0; i < 45; i++) {
        EXPECT(has_color(&pixmap, i % 5, i / 5, 2 + i / 5, 5 - i % 5));
    }
    EXPECT(jl_pixmap_turn(&pixmap, 3));
    EXPECT(has_color(&pixmap, 8, 0, 10, 1));
    EXPECT_INT(pixmap.width, 9);
    jl_pixmap_free(&pixmap);
}

/* Where a white picture lands on a black one of another shape. */
static void fits(void) {
    static const struct {
        int from_w, from_h, w, h;
        enum jl_bake_fit fit;
        int left, top, white_w, white_h;
    } rows[] = {
        {40, 20, 20, 20, JL_BAKE_FIT, 0, 5, 20, 10},  {20, 40, 20, 20, JL_BAKE_FIT, 5, 0, 10, 20},
        {10, 10, 40, 20, JL_BAKE_FIT, 10, 0, 20, 20}, {40, 20, 20, 20, JL_BAKE_FILL, 0, 0, 20, 20},
        {40, 20, 7, 9, JL_BAKE_STRETCH, 0, 0, 7, 9},  {1000, 1, 10, 10, JL_BAKE_FIT, 0, 4, 10, 1},
        {16, 16, 0, 0, JL_BAKE_FIT, 0, 0, 16, 16},
    };
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        struct jl_pixmap pixmap;
        struct jl_baked_picture baked;
        struct jl_picture seen;
        struct jl_picture_recipe recipe = {
            .format = &jl_rgb888, .width = rows[i].w, .height = rows[i].h, .fit = rows[i].fit};
        test_row("%d x %d to %d x %d", rows[i].from_w, rows[i].from_h, rows[i].w, rows[i].h);
        EXPECT(jl_pixmap_create(&pixmap, rows[i].from_w, rows[i].from_h));
        memset(pixmap.rgba, 255, (size_t)(rows[i].from_w * rows[i].from_h * 4));
        if (EXPECT(jl_bake_pixmap(&pixmap, &recipe, &baked, &complaint)) &&
            EXPECT(jl_baked_preview(&baked, JL_BLACK, &seen))) {
            for (int k = 0; k < seen.width * seen.height; k++) {
                int x = k % seen.width - rows[i].left, y = k / seen.width - rows[i].top;
                bool white = x >= 0 && y >= 0 && x < rows[i].white_w && y < rows[i].white_h;
                if (seen.rgb[k * 3] != (white ? 255 : 0)) {
                    EXPECT_INT(seen.rgb[k * 3], white ? 255 : 0);
                }
            }
            jl_picture_free(&seen);
            jl_baked_picture_free(&baked);
        }
        jl_pixmap_free(&pixmap);
    }
}

/* ---- pixels ---- */

/* Red, green, blue, white over black, grey, yellow, dark blue; by hand in each format. */
static void bytes_by_hand(void) {
    static const uint32_t colors[8] = {0xFF0000, 0x00FF00, 0x0000FF, 0xFFFFFF,
                                       0x000000, 0x808080, 0xFFFF00, 0x000040};
    static const struct {
        const char *format;
        uint8_t bytes[24];
        int count;
    } rows[] = {
        {"8-8-8",
         {0xFF, 0, 0, 0,    0xFF, 0,    0,    0,    0xFF, 0xFF, 0xFF, 0xFF,
          0,    0, 0, 0x80, 0x80, 0x80, 0xFF, 0xFF, 0,    0,    0,    0x40},
         24},
        {"6-6-6",
         {0xFC, 0, 0, 0,    0xFC, 0,    0,    0,    0xFC, 0xFC, 0xFC, 0xFC,
          0,    0, 0, 0x80, 0x80, 0x80, 0xFC, 0xFC, 0,    0,    0,    0x40},
         24},
        /* 128 in 5 bits is 15.6: 16; in 6 bits 31.6: 32. 64 in 5 bits is 7.8: 8 */
        {"5-6-5",
         {0xF8, 0, 0x07, 0xE0, 0, 0x1F, 0xFF, 0xFF, 0, 0, 0x84, 0x10, 0xFF, 0xE0, 0, 8},
         16},
        /* 128 in 3 bits is 3.5: 4; in 2 bits 1.5: 2. 64 in 2 bits is 0.75: 1 */
        {"3-3-2", {0xE0, 0x1C, 0x03, 0xFF, 0, 0x92, 0xFC, 0x01}, 8},
        /* luminance 76, 149, 28, 255; 0, 128, 226, 7 */
        {"mono-rows", {0x50, 0x60}, 2},
        {"mono-columns", {0, 1, 2, 3}, 0},      /* see below */
        {"grey4", {0x49, 0x2F, 0x08, 0xD0}, 4}, /* in 17ths: 4.5, 8.8, 1.6, 15; 0, 7.5, 13.3, 0.4 */
        {"grey2", {0x63, 0x2C}, 2},             /* in 85ths: 0.9, 1.75, 0.3, 3; 0, 1.5, 2.7, 0.1 */
    };
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        struct jl_pixmap pixmap;
        struct jl_baked_picture baked;
        struct jl_picture_recipe recipe = {.format = jl_bake_format(rows[i].format), .plain = true};
        test_row("%s", rows[i].format);
        EXPECT(jl_pixmap_create(&pixmap, 4, 2));
        for (int k = 0; k < 8; k++) {
            pixmap.rgba[k * 4] = (uint8_t)(colors[k] >> 16);
            pixmap.rgba[k * 4 + 1] = (uint8_t)(colors[k] >> 8);
            pixmap.rgba[k * 4 + 2] = (uint8_t)colors[k];
            pixmap.rgba[k * 4 + 3] = 255;
        }
        EXPECT(jl_bake_pixmap(&pixmap, &recipe, &baked, &complaint));
        if (rows[i].count) {
            EXPECT_INT((long long)baked.pixel_bytes, rows[i].count);
            EXPECT_BYTES(baked.pixels, rows[i].bytes, (size_t)rows[i].count);
        } else { /* upper row in bit 0: dark lit dark lit, lower in bit 1: dark lit lit dark */
            static const uint8_t columns[] = {0, 3, 2, 1};
            EXPECT_BYTES(baked.pixels, columns, 4);
        }
        jl_baked_picture_free(&baked);
        jl_pixmap_free(&pixmap);
    }
}

/* Nearest colours in every format, packed and not, as the test's own description has them. */
static void nearest_in_every_format(void) {
    for (int i = 0; i < KINDS * 2; i++) {
        const struct kind *kind = &kinds[i / 2];
        struct jl_pixmap pixmap;
        struct jl_baked_picture baked;
        struct jl_picture seen;
        struct jl_picture_recipe recipe = {.format = kind->format, .plain = i & 1};
        test_row("%s, %s", kind->name, i & 1 ? "plain" : "packed when smaller");
        make_pixmap(&pixmap, 27, 21);
        for (int k = 0; k < 27 * 12; k++) { /* an even part, so that packing is worth it */
            memset(pixmap.rgba + k * 4, 90, 3);
        }
        EXPECT(jl_bake_pixmap(&pixmap, &recipe, &baked, &complaint));
        EXPECT_INT(baked.image.packing != NULL, !(i & 1));
        EXPECT(baked.pixel_bytes <= baked.plain_bytes);
        EXPECT_INT(jl_image_check(&baked.image, baked.pixel_bytes), JL_OK);
        EXPECT(jl_baked_preview(&baked, JL_BLACK, &seen));
        int wrong = 0;
        for (int k = 0; k < 27 * 21; k++) {
            const uint8_t *p = pixmap.rgba + k * 4, *rgb = seen.rgb + k * 3;
            jl_color color = kind->store(JL_RGB((jl_color)p[0], (jl_color)p[1], (jl_color)p[2]));
            wrong += JL_RGB((jl_color)rgb[0], (jl_color)rgb[1], (jl_color)rgb[2]) != color;
        }
        EXPECT_INT(wrong, 0);
        jl_picture_free(&seen);
        jl_baked_picture_free(&baked);
        jl_pixmap_free(&pixmap);
    }
}

/* Where colours are few, areas keep their mean: 8 x 8 blocks of a grey ramp. */
static void dither_keeps_the_mean(void) {
    static const char *const names[] = {"mono-columns", "mono-rows", "grey2", "grey4", "3-3-2"};
    for (int i = 0; i < 10; i++) {
        struct jl_pixmap pixmap;
        struct jl_baked_picture baked;
        struct jl_picture seen;
        struct jl_picture_recipe recipe = {.format = jl_bake_format(names[i / 2]),
                                           .dither = i & 1 ? JL_BAKE_ORDERED : JL_BAKE_DIFFUSION};
        test_row("%s, %s", names[i / 2], i & 1 ? "ordered" : "diffusion");
        EXPECT(jl_pixmap_create(&pixmap, 128, 32));
        for (int k = 0; k < 128 * 32; k++) {
            memset(pixmap.rgba + k * 4, 20 + k % 128 / 8 * 14, 3);
            pixmap.rgba[k * 4 + 3] = 255;
        }
        EXPECT(jl_bake_pixmap(&pixmap, &recipe, &baked, &complaint));
        EXPECT(jl_baked_preview(&baked, JL_BLACK, &seen));
        for (int block = 0; block < 16; block++) {
            long sum = 0;
            for (int k = 0; k < 8 * 32; k++) {
                sum += seen.rgb[((k / 8) * 128 + block * 8 + k % 8) * 3 + 1];
            }
            long off = sum / 256 - (20 + block * 14);
            EXPECT(off >= -14 && off <= 14);
        }
        jl_picture_free(&seen);
        jl_baked_picture_free(&baked);
        jl_pixmap_free(&pixmap);
    }
}

static void palettes(void) {
    static const int kind_bits[] = {1, 2, 4, 8};
    for (int i = 0; i < 4; i++) {
        static const char *const names[] = {"palette1", "palette2", "palette4", "palette8"};
        struct jl_pixmap pixmap;
        struct jl_baked_picture baked;
        struct jl_picture seen;
        struct jl_picture_recipe recipe = {.format = jl_bake_format(names[i])};
        int colors = 1 << kind_bits[i];
        test_row("%s", names[i]);
        EXPECT(jl_pixmap_create(&pixmap, 40, 40));
        for (int k = 0; k < 1600; k++) { /* as many colours as there is room for, at most 64 */
            int c = (k % 40 + k / 40) % (colors < 64 ? colors : 64);
            pixmap.rgba[k * 4] = (uint8_t)(c * 29);
            pixmap.rgba[k * 4 + 1] = (uint8_t)(c * 83);
            pixmap.rgba[k * 4 + 2] = (uint8_t)(c * 47);
            pixmap.rgba[k * 4 + 3] = 255;
        }
        EXPECT(jl_bake_pixmap(&pixmap, &recipe, &baked, &complaint));
        EXPECT_INT(baked.palette_count, 1 << kind_bits[i]);
        EXPECT(jl_baked_preview(&baked, JL_BLACK, &seen));
        int off = 0;
        for (int k = 0; k < 1600; k++) {
            for (int c = 0; c < 3; c++) {
                off += abs(seen.rgb[k * 3 + c] - pixmap.rgba[k * 4 + c]);
            }
        }
        EXPECT_INT(off, 0); /* there is room for each */
        jl_picture_free(&seen);
        jl_baked_picture_free(&baked);
        jl_pixmap_free(&pixmap);
    }
}

/* A disc, a soft ring around it, and nothing outside. */
static void transparency(void) {
    static const struct {
        enum jl_bake_clear clear;
        int centre, ring, outside; /* red as seen over 64 */
    } rows[] = {{JL_BAKE_BACKGROUND, 200, 132, 64},
                {JL_BAKE_KEY, 200, 200, 64},
                {JL_BAKE_MASK_1, 200, 200, 64},
                {JL_BAKE_MASK_4, 200, 137, 64}}; /* 128 of 255 is 8 of 15: 137 */
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        struct jl_pixmap pixmap;
        struct jl_baked_picture baked;
        struct jl_picture seen;
        struct jl_picture_recipe recipe = {.format = &jl_rgb888,
                                           .clear = rows[i].clear,
                                           .background = JL_GREY(64),
                                           .key = JL_FUCHSIA};
        test_row("row %d", (int)i);
        EXPECT(jl_pixmap_create(&pixmap, 21, 21));
        for (int k = 0; k < 441; k++) {
            int x = k % 21 - 10, y = k / 21 - 10, far = x * x + y * y;
            memset(pixmap.rgba + k * 4, 200, 3);
            pixmap.rgba[k * 4 + 3] = far < 36 ? 255 : far < 81 ? 128 : 0;
        }
        EXPECT(jl_bake_pixmap(&pixmap, &recipe, &baked, &complaint));
        EXPECT(jl_baked_preview(&baked, JL_GREY(64), &seen));
        EXPECT_INT(jl_picture_at(&seen, 10, 10)[0], rows[i].centre);
        EXPECT_INT(jl_picture_at(&seen, 10, 3)[0], rows[i].ring);
        EXPECT_INT(jl_picture_at(&seen, 0, 0)[0], rows[i].outside);
        EXPECT_INT((long long)baked.mask_bytes, i == 2 ? 3 * 21 : i == 3 ? 11 * 21 : 0);
        jl_picture_free(&seen);
        jl_baked_picture_free(&baked);
        /* A key that the picture has, as the format stores it. */
        recipe.key = JL_GREY(199); /* rounds as 200 does */
        recipe.format = &jl_rgb565;
        EXPECT_INT(jl_bake_pixmap(&pixmap, &recipe, &baked, &complaint),
                   recipe.clear != JL_BAKE_KEY);
        if (recipe.clear == JL_BAKE_KEY) {
            EXPECT_CONTAINS(complaint.text, "solid pixels have the key colour");
        }
        jl_baked_picture_free(&baked);
        jl_pixmap_free(&pixmap);
    }
}

/* ---- the command ---- */

static int run(const char *line) {
    char folder[40];
    snprintf(folder, sizeof folder, "bake-%ld", (long)getpid());
    return shell_run(folder, line);
}

static void make_folder(void) {
    char line[100];
    struct jl_picture picture;
    snprintf(line, sizeof line, "rm -rf bake-%ld; mkdir bake-%ld", (long)getpid(), (long)getpid());
    EXPECT_INT(system(line), 0);
    EXPECT(jl_picture_create(&picture, 50, 30));
    for (int i = 0; i < 1500; i++) {
        test_color(i % 50, i / 50, picture.rgb + i * 3);
    }
    snprintf(line, sizeof line, "bake-%ld/ferry-boat.png", (long)getpid());
    EXPECT(jl_png_write(line, &picture, &complaint));
    jl_picture_free(&picture);
}

static void remove_folder(void) {
    char line[100];
    snprintf(line, sizeof line, "rm -rf bake-%ld", (long)getpid());
    EXPECT_INT(system(line), 0);
}

/* Baked, compiled without a warning, linked, drawn: the same as the preview. */
static void baked_c_compiles_to_the_preview(void) {
    static const char *const options[] = {"--format 5-6-5",
                                          "--format mono-columns --dither diffusion",
                                          "--format palette4 --plain",
                                          "--format grey4 --size 40x20 --fit fill",
                                          "--format 5-6-5-cpu --plain",
                                          "--card st7735-80x160-spi --clear mask4"};
    make_folder();
    char program[] = "#include <stdio.h>\n#include \"boat.h\"\n"
                     "static uint8_t px[200*200*3];\nint main(void){struct jl_frame f;\n"
                     "if(jl_frame_init(&f,&jl_rgb888,boat.width,boat.height,px,sizeof px)!=JL_OK)"
                     "return 1;\njl_draw_image(&f.target,0,0,&boat);\n"
                     "fwrite(px,3,(size_t)boat.width*(size_t)boat.height,stdout);return 0;}\n";
    char name[100];
    snprintf(name, sizeof name, "bake-%ld/main.c", (long)getpid());
    EXPECT(jl_file_put(name, program, strlen(program), &complaint));
    for (size_t i = 0; i < sizeof options / sizeof options[0]; i++) {
        char line[900];
        snprintf(line, sizeof line,
                 JADELAMP " bake picture ferry-boat.png --name boat %s && " CC
                          " -std=c11 -Wall -Wextra "
                          "-Wpedantic -Wconversion -Werror -I%s main.c boat.c %s %s -o show && "
                          "./show > seen",
                 options[i], INCLUDE_DIR, LIBRARY, SANITIZER_FLAGS);
        if (!EXPECT_INT(run(line), 0)) {
            printf("%s\n", output);
            continue;
        }
        struct jl_picture preview;
        snprintf(name, sizeof name, "bake-%ld/boat-preview.png", (long)getpid());
        EXPECT(jl_png_read(name, &preview, &complaint));
        snprintf(name, sizeof name, "bake-%ld/seen", (long)getpid());
        static uint8_t seen[200 * 200 * 3];
        FILE *file = fopen(name, "rb");
        size_t count = file ? fread(seen, 1, sizeof seen, file) : 0;
        EXPECT_INT((long long)count, preview.width * preview.height * 3);
        EXPECT_BYTES(seen, preview.rgb, count);
        fclose(file);
        jl_picture_free(&preview);
    }
    remove_folder();
}

static void the_command(void) {
    static const struct {
        const char *line;
        int status;
        const char *says;
    } rows[] = {
        {JADELAMP " bake --help", 0, "picture"},
        {JADELAMP " bake picture --help", 0, "--dither"},
        {JADELAMP " bake picture", 2, "name a picture"},
        {JADELAMP " bake picture ferry-boat.png", 2, "say --format NAME"},
        {JADELAMP " bake picture ferry-boat.png --format 565", 2, "mono-columns, mono-columns-msb"},
        {JADELAMP " bake picture ferry-boat.png -f 5-6-5 --size 10", 2, "expected such as 64x48"},
        {JADELAMP " bake picture ferry-boat.png -f 5-6-5 --size 0x9", 2, "expected such as 64x48"},
        {JADELAMP " bake picture ferry-boat.png -f 5-6-5 --crop 1,1,50x5", 2,
         "the picture has 50 x 30"},
        {JADELAMP " bake picture ferry-boat.png -f 5-6-5 --fit wide", 2, "fit, fill or stretch"},
        {JADELAMP " bake picture ferry-boat.png -f 5-6-5 --turn 45", 2, "0, 90, 180 or 270"},
        {JADELAMP " bake picture ferry-boat.png -f 5-6-5 --background red", 2, "six hex digits"},
        {JADELAMP " bake picture ferry-boat.png -f 5-6-5 --raw --clear mask1", 2, "pixels only"},
        {JADELAMP " bake picture ferry-boat.png --card no-such", 2, "no card no-such"},
        {JADELAMP " bake picture ferry-boat.png --card hd44780-8x1-4bit", 2, "shows no pictures"},
        {JADELAMP " bake picture missing.png -f 5-6-5", 2, "cannot read the picture missing.png"},
        {JADELAMP " bake picture ferry-boat.png -f 5-6-5 --name 1x", 2, "no name for C"},
        {JADELAMP " bake picture ferry-boat.png -f 5-6-5 --name switch", 2, "no name for C"},
        {JADELAMP " bake picture a b -f 5-6-5", 2, "one argument too many"},
        {JADELAMP " bake picture ferry-boat.png -f 5-6-5 --raw && wc -c < ferry_boat.bin", 0,
         "3000"},
        {"ls | wc -l", 0, "3"}, /* the picture, the raw pixels, their preview: no more */
        {JADELAMP " bake picture ferry-boat.png -f mono-rows && cat ferry_boat.h", 0,
         "Made by jadelamp bake picture ferry-boat.png -f mono-rows */"},
        {JADELAMP " bake picture ferry-boat.png -f palette2 --json", 0, "\"palette_colors\":\t4"},
        {JADELAMP " bake picture ferry-boat.png -f mono-rows", 0, "wrote"},
        {"cat ferry_boat.h", 0, "50 x 30 pixels, mono-rows: rows, the left pixel in bit 7."},
        {"cp ferry_boat.c 1.c && " JADELAMP " bake picture ferry-boat.png -f mono-rows && "
         "cmp 1.c ferry_boat.c",
         0, "wrote"},
        /* libgd is another one than we know: everything else works without it */
        {"echo 'int other;' > o.c && cc -shared o.c -o libgd.so.3 && LD_LIBRARY_PATH=. " JADELAMP
         " bake picture ferry-boat.png -f mono-rows",
         2, "pictures need libgd.so.3: install the package libgd3"},
        {"LD_LIBRARY_PATH=. " JADELAMP " light ssd1306-72x40-i2c", 0, "lit"},
    };
    make_folder();
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        EXPECT_INT(run(rows[i].line), rows[i].status);
        EXPECT_CONTAINS(output, rows[i].says);
    }
    remove_folder();
}

/* Whatever a file is called, its name ends no comment: also where C joins lines first. */
static void names_end_no_comment(void) {
    static const char *const names[] = {"a*/b.png", "a*\\\n/b.png", "a*\n/b.png", "a/*b.png",
                                        "a*?\?/\n/b.png"};
    struct jl_pixmap pixmap;
    struct jl_baked_picture baked;
    struct jl_picture_recipe recipe = {.format = &jl_rgb565};
    make_pixmap(&pixmap, 3, 2);
    EXPECT(jl_bake_pixmap(&pixmap, &recipe, &baked, &complaint));
    shell_begin();
    for (size_t i = 0; i < sizeof names / sizeof names[0]; i++) {
        EXPECT(jl_baked_picture_write(&baked, shell_path(""), "named", names[i], &complaint));
        EXPECT_INT(shell("cc -std=c11 -trigraphs -Wall -Wextra -Werror=comment -fsyntax-only "
                         "-I" INCLUDE_DIR " -I. named.c"),
                   0);
        test_row("%s", names[i]);
        EXPECT_TEXT(output, "");
    }
    shell_end();
    jl_baked_picture_free(&baked);
    jl_pixmap_free(&pixmap);
}

const struct test_group test_groups[] = {
    {"names_end_no_comment", names_end_no_comment},
    {"files_are_read", files_are_read},
    {"bad_files_are_refused", bad_files_are_refused},
    {"sizes_are_looked_at", sizes_are_looked_at},
    {"damaged_files", damaged_files},
    {"cuts_and_turns", cuts_and_turns},
    {"fits", fits},
    {"bytes_by_hand", bytes_by_hand},
    {"nearest_in_every_format", nearest_in_every_format},
    {"dither_keeps_the_mean", dither_keeps_the_mean},
    {"palettes", palettes},
    {"transparency", transparency},
    {"baked_c", baked_c_compiles_to_the_preview},
    {"the_command", the_command},
    {NULL, NULL},
};
