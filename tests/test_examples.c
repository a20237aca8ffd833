/*
 * The short examples, run as a user runs them: each says that all went well, its controller has
 * nothing to complain about, and some places of the glass show what their geometry says.
 */
#include "harness.h"

#include <stdio.h>
#include <string.h>

#include "jadelamp/jadelamp.h"
#include "naive.h"
#include "shell.h"

/* A colour as 5-6-5 keeps it, by rounding and repeating of bits. */
static jl_color in_565(jl_color c) {
    unsigned r = ((c >> 16 & 255) * 31 + 127) / 255, g = ((c >> 8 & 255) * 63 + 127) / 255,
             b = ((c & 255) * 31 + 127) / 255;
    return JL_RGB(r << 3 | r >> 2, g << 2 | g >> 4, b << 3 | b >> 2);
}

static struct jl_picture run_example(const char *name) {
    char line[1024], glass[100];
    snprintf(line, sizeof line, "%s/example_%s --no-wires", EXAMPLE_DIR, name);
    EXPECT_INT(shell(line), 0);
    EXPECT_CONTAINS(output, "returned JL_OK: ok");
    EXPECT(strstr(output, "warning") == NULL && strstr(output, "error:") == NULL);
    snprintf(glass, sizeof glass, "%s-glass.png", name);
    return shell_picture(glass);
}

static jl_color pixel(const struct jl_picture *picture, int x, int y) {
    const uint8_t *at = jl_picture_at(picture, x, y);
    return JL_RGB(at[0], at[1], at[2]);
}

static void places_on_the_glass(void) {
    static const struct {
        const char *name;
        struct {
            int x, y;
            jl_color color; /* before 5-6-5 took its bits */
        } places[8];
    } rows[] = {
        /* The fourth row is chosen; of six items the second to the fifth are seen: 5 to 25 of 32.
         */
        {"menu",
         {{60, 27, JL_WHITE},
          {100, 20, JL_BLACK},
          {127, 4, JL_BLACK},
          {127, 5, JL_WHITE},
          {127, 25, JL_WHITE},
          {127, 26, JL_BLACK},
          {125, 15, JL_BLACK}}},
        /* The buoy's last place is 700, 260, with a radius of 60. */
        {"scan_out",
         {{700, 260, JL_WHITE},
          {700, 201, JL_RGB(200, 50, 40)},
          {700, 320, JL_RGB(200, 50, 40)},
          {700, 321, JL_RGB(20, 70, 95)},
          {640, 252, JL_WHITE},
          {639, 260, JL_RGB(20, 70, 95)},
          {799, 479, JL_RGB(20, 70, 95)}}},
        /* A level of 230 cm and more is 172 pixels from 252 up; of 240, 180. */
        {"scan_lines",
         {{180, 40, JL_WHITE},
          {299, 251, JL_WHITE},
          {240, 82, JL_RGB(47, 183, 168)},
          {240, 70, JL_RGB(35, 56, 66)},
          {179, 100, JL_RGB(16, 35, 44)},
          {479, 271, JL_RGB(16, 35, 44)}}},
        /* 08:42: the 4 has no upper bar, the 2 a bar at the upper right; ghosts are no test here.
         */
        {"paper_clock",
         {{40, 42, JL_BLACK},
          {80, 41, JL_WHITE},
          {74, 47, JL_BLACK},
          {62, 51, JL_BLACK},
          {10, 85, JL_BLACK},
          {7, 85, JL_WHITE},
          {119, 85, JL_BLACK},
          {120, 85, JL_WHITE}}},
        /* A mark every ten samples of two columns; the last one is the 70th. */
        {"strip_chart",
         {{127, 63, JL_WHITE},
          {107, 63, JL_WHITE},
          {7, 63, JL_WHITE},
          {117, 63, JL_BLACK},
          {126, 63, JL_BLACK},
          {127, 61, JL_BLACK}}},
        /* Bars of 5 columns, the first 13 high; 411 of 500 are 46 of 56 columns. */
        {"small_lcd",
         {{0, 35, JL_WHITE},
          {0, 34, JL_BLACK},
          {4, 47, JL_WHITE},
          {5, 47, JL_BLACK},
          {26, 13, JL_WHITE},
          {71, 13, JL_WHITE},
          {72, 13, JL_BLACK},
          {83, 13, JL_WHITE}}},
        /* 180 of 240 cm are 69 of 92 columns. */
        {"gate_strip",
         {{0, 9, JL_WHITE},
          {70, 12, JL_WHITE},
          {71, 12, JL_BLACK},
          {40, 4, JL_BLACK},
          {1, 12, JL_BLACK},
          {95, 15, JL_WHITE}}},
        /* A scan in which nobody else answers is no error. */
        {"strip_scan",
         {{6, 8, JL_WHITE}, {6, 14, JL_WHITE}, {12, 12, JL_BLACK}, {6, 15, JL_BLACK}}},
        /* Sixteen greys: 90 is the fifth, 30 the second. */
        {"grey_dial",
         {{0, 0, JL_BLACK},
          {64, 64, JL_GREY(85)},
          {118, 64, JL_WHITE},
          {64, 118, JL_WHITE},
          {64, 5, JL_GREY(34)}}},
        {"standby", {{119, 7, JL_TEAL}, {7, 119, JL_TEAL}, {119, 60, JL_BLACK}, {0, 0, JL_BLACK}}},
        {"voltmeter",
         {{120, 132, JL_SILVER},
          {112, 32, JL_TEAL},
          {223, 132, JL_RED},
          {217, 160, JL_RED},
          {120, 80, JL_BLACK}}},
        /* Tile 1, 2: red 10 of 31, green 20 of 63, blue 12 of 31, and a white edge. */
        /* Turned by a quarter: the picture's (x, y) lies at (239 - y, x). Its button, at 71, 83 and
         * 101 x 73 large, is touched. */
        {"toolkit_glue",
         {{119, 120, JL_RGB(255, 166, 0)},
          {156, 71, JL_RGB(255, 166, 0)},
          {156, 70, JL_RGB(82, 0, 99)},
          {157, 71, JL_RGB(82, 0, 99)},
          {84, 171, JL_RGB(255, 166, 0)},
          {84, 172, JL_RGB(156, 0, 99)},
          {83, 171, JL_RGB(156, 0, 99)}}},
        /* A stroke from 30, 250 to 210, 60, dots of 9 pixels, on a sheet after three crosses. */
        {"calibrate",
         {{30, 250, JL_YELLOW},
          {210, 60, JL_YELLOW},
          {120, 155, JL_YELLOW},
          {120, 200, JL_NAVY},
          {24, 32, JL_NAVY}}},
        /* The slider at 80: its track lit up to the knob, and the needle at 81 degrees. */
        {"touch_lamp",
         {{100, 164, JL_RGB(0x2F, 0xB7, 0xA8)},
          {163, 164, JL_RGB(0x16, 0x23, 0x2C)},
          {190, 164, JL_RGB(0x22, 0x34, 0x3E)},
          {155, 75, JL_RGB(0x2F, 0xB7, 0xA8)},
          {155, 90, JL_RGB(0x16, 0x23, 0x2C)},
          {120, 80, JL_RGB(0xE8, 0xF0, 0xF2)}}},
        {"cubes",
         {{0, 0, JL_RGB(20, 40, 90)},
          {127, 159, JL_RGB(20, 70, 100)},
          {64, 118, JL_RGB(30, 60, 50)}}},
        {"paint",
         {{20, 20, JL_WHITE},
          {60, 20, JL_RED},
          {220, 20, JL_AQUA},
          {30, 200, JL_RED},
          {120, 250, JL_LIME},
          {120, 247, JL_LIME},
          {120, 246, JL_BLACK},
          {120, 265, JL_BLACK}}},
        {"tft_in_8k",
         {{0, 0, JL_RGB(0, 20, 60)},
          {0, 319, JL_RGB(0, 90, 110)},
          {19, 290, JL_RGB(69, 230, 230)},
          {19, 232, JL_RGB(69, 230, 230)}}},
    };
    shell_begin();
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        struct jl_picture seen = run_example(rows[i].name);
        bool grey = seen.width <= 128 && seen.height <= 128;
        for (int k = 0; k < 8 && (k == 0 || rows[i].places[k].x || rows[i].places[k].y); k++) {
            int x = rows[i].places[k].x, y = rows[i].places[k].y;
            jl_color color = rows[i].places[k].color;
            test_row("%s at %d, %d", rows[i].name, x, y);
            EXPECT_INT(pixel(&seen, x, y), grey ? color : in_565(color));
        }
        jl_picture_free(&seen);
    }
    EXPECT_INT(shell(EXAMPLE_DIR "/example_standby --no-wires"), 0);
    EXPECT_CONTAINS(output, "brightness 240 of 255");
    shell_end();
}

static void whole_pictures(void) {
    static struct naive expected;
    struct jl_picture seen, picture;
    shell_begin();
    /* A controller of one's own draws what the library's would. */
    seen = run_example("own_controller");
    naive_init(&expected, 128, 64);
    naive_test_card(&expected, "my part");
    EXPECT(naive_picture(&expected, &picture));
    EXPECT_PICTURE(&seen, &picture, "own-controller");
    jl_picture_free(&picture);
    jl_picture_free(&seen);
    /* What is there is not what was asked for, and is found to be in order. */
    seen = run_example("who_is_there");
    EXPECT_CONTAINS(output, "asked for an ili9341; 858552 answered: st7789\n"
                            "it says: display on, awake, booster on\n0 of 128 bytes came back");
    jl_picture_free(&seen);
    EXPECT_INT(shell(EXAMPLE_DIR "/example_who_is_there gc9a01-240x240-round"), 1);
    EXPECT_CONTAINS(output, "009A01 answered: gc9a01");
    /* The upper line is that of the third way; below it the names, and times after them. */
    seen = run_example("speed");
    naive_init(&expected, 128, 64);
    naive_text(&expected, 0, 0, "Speed", JL_WHITE, JL_BLACK);
    naive_text(&expected, 90, 0, "102", JL_WHITE, JL_BLACK);
    naive_text(&expected, 0, 16, "whole frame", JL_WHITE, JL_BLACK);
    naive_text(&expected, 0, 24, "tracked", JL_WHITE, JL_BLACK);
    naive_text(&expected, 0, 32, "shadow", JL_WHITE, JL_BLACK);
    naive_text(&expected, 0, 40, "bands", JL_WHITE, JL_BLACK);
    int wrong = 0;
    for (int y = 0; y < 64; y++) {
        for (int x = 0; x < (y < 16 ? 128 : 72); x++) {
            wrong += pixel(&seen, x, y) != expected.px[y][x];
        }
    }
    EXPECT_INT(wrong, 0);
    jl_picture_free(&seen);
    seen = run_example("heart_16x2");
    EXPECT_CONTAINS(output, "|Supply  12.45 V\u24EA|\n  | upper gate open|");
    jl_picture_free(&seen);
    shell_end();
}

/* An example on a card that is not its own, and with words that are none. */
static void asked_otherwise(void) {
    static const struct {
        const char *line;
        int status;
        const char *says;
    } rows[] = {
        {"hello a b c d", 2, "usage: "},
        {"hello a b c d --no-wires", 2, "[CARD [FOLDER [HANDS]]] [--no-wires]"},
        {"hello nocard", 2, "hello: no card nocard"},
        {"hello ssd1306-128x64-i2c . nohands", 2, "hello: cannot read the script nohands"},
        {"hello ssd1306-128x64-i2c here --no-wires", 0, "128x64\n"},
        {"hello st7789-240x240-spi", 1,
         "the program talks I2C, and this card is wired for another"},
        {"tft_in_8k ssd1306-128x64-i2c", 1, "the program talks by other wires, and this card is"},
        {"hello hd44780-16x2-4bit", 1, "16x2 cells"},
        {"paint ili9341-240x320-touch . nohands", 2, "cannot read the script nohands"},
    };
    shell_begin();
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        char line[1024];
        snprintf(line, sizeof line, "%s/example_%s", EXAMPLE_DIR, rows[i].line);
        EXPECT_INT(shell(line), rows[i].status);
        EXPECT_CONTAINS(output, rows[i].says);
    }
    EXPECT(shell_has("here"));
    shell_end();
}

const struct test_group test_groups[] = {
    {"asked_otherwise", asked_otherwise},
    {"places_on_the_glass", places_on_the_glass},
    {"whole_pictures", whole_pictures},
    {NULL, NULL},
};
