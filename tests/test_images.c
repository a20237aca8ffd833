/*
 * Examples as images for a board that others modelled: QEMU's lm3s811evb, a Cortex-M3 with a 96x16
 * OLED on I2C. What its glass shows is what the frame of our own board shows, pixel for pixel.
 */
#include "harness.h"

#include <stdio.h>
#include <string.h>

#include "shell.h"

enum { WIDTH = 96, HEIGHT = 16, ZOOM = 4 };

static unsigned char dumped[HEIGHT * ZOOM][WIDTH * ZOOM][3];

/* The dump that is there: a binary PPM of four pixels for one. */
static bool read_dump(void) {
    FILE *file = fopen(shell_path("dump.ppm"), "rb");
    int width = 0, height = 0, most = 0;
    bool good = file && fscanf(file, "P6 %d %d %d", &width, &height, &most) == 3 &&
                width == WIDTH * ZOOM && height == HEIGHT * ZOOM && fgetc(file) != EOF &&
                fread(dumped, sizeof dumped, 1, file) == 1;
    if (file) {
        fclose(file);
    }
    return good;
}

static bool lit(int x, int y) {
    return dumped[y * ZOOM][x * ZOOM][1] > 127;
}

/* The zoomed pixels are all alike. */
static int torn(void) {
    int count = 0;
    for (int y = 0; y < HEIGHT * ZOOM; y++) {
        for (int x = 0; x < WIDTH * ZOOM; x++) {
            count += memcmp(dumped[y][x], dumped[y - y % ZOOM][x - x % ZOOM], 3) != 0;
        }
    }
    return count;
}

static int lit_in(int x, int y, int width, int height) {
    int count = 0;
    for (int i = 0; i < width * height; i++) {
        count += lit(x + i % width, y + i / width);
    }
    return count;
}

static void the_glass_shows_the_frame(void) {
    /* How many pixels are lit in a part of the picture, by reasoning. */
    static const struct {
        const char *name;
        struct {
            int x, y, width, height, lit;
        } parts[5];
    } rows[] = {
        /* The frame around; the bar: 180 of 240 are 69 of 92 columns; between words and number. */
        {"gate_strip",
         {{0, 9, 96, 1, 96},
          {2, 11, 69, 3, 207},
          {71, 11, 23, 3, 0},
          {0, 10, 1, 6, 6},
          {36, 0, 18, 8, 0}}},
        /* The mean is row 8; 84 degrees on it is 5.97 pixels higher, cut to 5. */
        {"strip_bands",
         {{0, 8, 1, 8, 8}, {0, 0, 1, 8, 0}, {7, 3, 1, 13, 13}, {7, 0, 1, 3, 0}, {60, 0, 6, 16, 0}}},
        /* Its address is the only one: two characters, nothing behind; the stem of the D. */
        {"strip_scan",
         {{12, 8, 84, 8, 0},
          {66, 0, 30, 8, 0},
          {0, 15, 96, 1, 0},
          {6, 8, 1, 7, 7},
          {6, 15, 6, 1, 0}}},
    };
    shell_begin();
    EXPECT_INT(shell(IMAGES " \"$PWD\" gate_strip strip_bands strip_scan"), 0);
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        char line[300];
        snprintf(line, sizeof line, EXAMPLE_DIR "/example_%s ssd0303-96x16-i2c .", rows[i].name);
        EXPECT_INT(shell(line), 0);
        snprintf(line, sizeof line, RUN_IMAGE " %s.elf dump.ppm", rows[i].name);
        EXPECT_INT(shell(line), 0);
        EXPECT_CONTAINS(output, "status: ok");
        test_row("%s", rows[i].name);
        EXPECT(read_dump());
        EXPECT_INT(torn(), 0);
        snprintf(line, sizeof line, "%s-glass.png", rows[i].name);
        struct jl_picture ours = shell_picture(line);
        EXPECT_INT(ours.width, WIDTH);
        EXPECT_INT(ours.height, HEIGHT);
        int different = 0, all = 0;
        for (int y = 0; y < ours.height && y < HEIGHT; y++) {
            for (int x = 0; x < ours.width && x < WIDTH; x++) {
                different += lit(x, y) != (jl_picture_at(&ours, x, y)[1] > 127);
                all += lit(x, y);
            }
        }
        EXPECT_INT(different, 0);
        EXPECT(all > 50);
        for (size_t j = 0; j < 5; j++) {
            test_row("%s, part %d", rows[i].name, (int)j);
            EXPECT_INT(lit_in(rows[i].parts[j].x, rows[i].parts[j].y, rows[i].parts[j].width,
                              rows[i].parts[j].height),
                       rows[i].parts[j].lit);
        }
        jl_picture_free(&ours);
    }
    shell_end();
}

/* With a tap on its UART, to a socket: the desktop shows what the machine's own glass shows. */
static void a_tap_shows_the_same(void) {
    shell_begin();
    EXPECT_INT(shell(IMAGES " \"$PWD\" strip_bands-tapped"), 0);
    EXPECT_INT(shell("{ sleep 1; exec " JADELAMP
                     " watch --from unix:uart -c ssd0303-96x16-i2c; } > "
                     "watched & " RUN_IMAGE " strip_bands-tapped.elf dump.ppm 20 \"$PWD/uart\"; "
                     "wait; cat watched"),
               0);
    EXPECT_CONTAINS(output, "status: ok");
    EXPECT_CONTAINS(output, "lit");
    EXPECT(strstr(output, "lost or damaged") == NULL);
    EXPECT(read_dump());
    struct jl_picture watched = shell_picture("ssd0303-96x16-i2c-glass.png");
    int different = 0, all = 0;
    for (int i = 0; i < WIDTH * HEIGHT; i++) {
        bool on = lit(i % WIDTH, i / WIDTH);
        different += on != (watched.rgb[3 * i + 1] > 127);
        all += on;
    }
    EXPECT_INT(different, 0);
    EXPECT(all > 50);
    jl_picture_free(&watched);
    shell_end();
}

/* An image that says nothing, and none at all. */
static void what_does_not_start_is_told(void) {
    shell_begin();
    EXPECT_INT(shell("echo nothing > broken.elf; " RUN_IMAGE " broken.elf dump.ppm 2"), 1);
    EXPECT_CONTAINS(output, "said no status");
    EXPECT(!shell_has("dump.ppm"));
    shell_end();
}

const struct test_group test_groups[] = {
    {"the_glass_shows_the_frame", the_glass_shows_the_frame},
    {"a_tap_shows_the_same", a_tap_shows_the_same},
    {"what_does_not_start_is_told", what_does_not_start_is_told},
    {NULL, NULL},
};
