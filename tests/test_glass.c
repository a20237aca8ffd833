/*
 * Driver and emulated controller together: for every size, bus, mounting and turn
 * the glass shows what the frame holds, turned as geometry says.
 */
#include "harness.h"

#include <stdio.h>
#include <stdlib.h>
#include <string.h>

#include "bench_panel.h"
#include "jadelamp/host/compare.h"
#include "jadelamp/host/png.h"
#include "jadelamp/host/frame_picture.h"
#include "jadelamp/host/terminal.h"
#include "naive.h"

static const struct size {
    const char *name;
    int width, height, offset, module;
} sizes[] = {
    {"128x64", 128, 64, 0, 0}, {"128x32", 128, 32, 0, 0}, {"64x48", 64, 48, 32, 0},
    {"72x40", 72, 40, 28, 0},  {"96x16", 96, 16, 0, 0},   {"odd place", 70, 40, 11, 0},
};

enum { SIZES = sizeof sizes / sizeof sizes[0] };

/* What the mirrors of bit 0 (left and right) and bit 1 (top and bottom) are as turns. */
static const uint8_t turns[] = {JL_TURN_0, JL_TURN_MIRROR, JL_TURN_180 | JL_TURN_MIRROR,
                                JL_TURN_180};

static struct jl_panel_config config_of(const struct size *size, const struct jl_bus *bus,
                                        int mounting) {
    struct jl_panel_config config = bench_usual_config();
    config.width = (int16_t)size->width;
    config.height = (int16_t)size->height;
    config.column_offset = (int16_t)size->offset;
    config.module =
        (uint8_t)(size->module | mounting | (bus == &jl_bus_spi ? JL_MODULE_RESET_WIRED : 0));
    config.bus = bus;
    return config;
}

/* The test card by the naive reference, mirrored as a person would see it. */
static struct jl_picture expected_card(const struct size *size, int mirrors) {
    static struct naive card, flipped;
    struct jl_picture picture;
    naive_init(&card, size->width, size->height);
    naive_test_card(&card, "ssd1306");
    naive_init(&flipped, size->width, size->height);
    for (int y = 0; y < size->height; y++) {
        for (int x = 0; x < size->width; x++) {
            flipped.px[y][x] = card.px[mirrors & 2 ? size->height - 1 - y : y]
                                      [mirrors & 1 ? size->width - 1 - x : x];
        }
    }
    EXPECT(naive_picture(&flipped, &picture));
    return picture;
}

static void expect_card(struct bench_panel *bench, const struct size *size, int mirrors) {
    struct jl_picture expected = expected_card(size, mirrors);
    struct jl_picture seen = bench_look(bench);
    EXPECT_PICTURE(&seen, &expected, size->name);
    const struct jl_diagnostic *list;
    for (size_t i = jl_board_diagnostics(bench->board, &list); i > 0; i--) {
        EXPECT_INT(list[i - 1].severity, JL_SEVERITY_NOTE);
    }
    jl_picture_free(&seen);
    jl_picture_free(&expected);
}

static void every_size_bus_mounting_and_flip(void) {
    for (int i = 0; i < SIZES * 2 * 4 * 4; i++) {
        const struct size *size = &sizes[i / 32];
        const struct jl_bus *bus = i / 16 % 2 ? &jl_bus_spi : &jl_bus_i2c;
        int mounting = (i / 4 % 4) * JL_MODULE_MIRROR_X; /* the two mirror bits are neighbours */
        int mirrors = i % 4;
        struct bench_panel bench;
        test_row("%s, bus %d, mounting %d, mirrors %d", size->name, bus->kind, mounting, mirrors);
        struct jl_panel_config config = config_of(size, bus, mounting);
        config.turn = turns[mirrors];
        bench_open_usual(&bench, &config);
        EXPECT_INT(jl_panel_wake(&bench.panel), JL_OK);
        jl_draw_test_card(&bench.frame.target, "ssd1306");
        EXPECT_INT(jl_panel_present(&bench.panel, &bench.frame), JL_OK);
        expect_card(&bench, size, mirrors);
        bench_close(&bench);
    }
}

/* The buses that such modules rarely have wired. */
static void three_wires_and_parallel(void) {
    static const struct jl_bus *const buses[] = {&jl_bus_spi_3wire, &jl_bus_8080_8};
    for (int i = 0; i < 2; i++) {
        struct bench_panel bench;
        test_row("bus %d", buses[i]->kind);
        struct jl_panel_config config = config_of(&sizes[0], buses[i], 0);
        bench_open_usual(&bench, &config);
        EXPECT_INT(jl_panel_wake(&bench.panel), JL_OK);
        jl_draw_test_card(&bench.frame.target, "ssd1306");
        EXPECT_INT(jl_panel_present(&bench.panel, &bench.frame), JL_OK);
        expect_card(&bench, &sizes[0], 0);
        bench_close(&bench);
    }
}

/* The same pictures as stored files, which a person has looked at. */
static void stored_test_cards(void) {
    for (int i = 0; i < 4; i++) {
        struct bench_panel bench;
        char name[64];
        snprintf(name, sizeof name, "test-card-%s", sizes[i].name);
        test_row("%s", name);
        struct jl_panel_config config = config_of(&sizes[i], &jl_bus_i2c, 0);
        bench_open_usual(&bench, &config);
        EXPECT_INT(jl_panel_wake(&bench.panel), JL_OK);
        jl_draw_test_card(&bench.frame.target, "ssd1306");
        EXPECT_INT(jl_panel_present(&bench.panel, &bench.frame), JL_OK);
        struct jl_picture seen = bench_look(&bench);
        EXPECT_STORED_PICTURE(&seen, name);
        jl_picture_free(&seen);
        bench_close(&bench);
    }
}

/* One panel through its whole life; after each step the glass is right. */
static void a_panels_life(void) {
    static const struct jl_scroll scroll = {JL_SCROLL_LEFT, 0, 7, 2};
    const struct size *size = &sizes[0];
    struct bench_panel bench;
    struct jl_panel_config config = config_of(size, &jl_bus_i2c, 0);
    bench_open_usual(&bench, &config);
    struct jl_picture black;
    EXPECT(jl_picture_create(&black, 128, 64));

    test_row("woken: black, no noise");
    EXPECT_INT(jl_panel_wake(&bench.panel), JL_OK);
    struct jl_picture seen = bench_look(&bench);
    EXPECT(jl_device_why_dark(bench.device) == NULL);
    EXPECT_PICTURE(&seen, &black, "woken");
    jl_picture_free(&seen);

    test_row("presented");
    jl_draw_test_card(&bench.frame.target, "ssd1306");
    EXPECT_INT(jl_panel_present(&bench.panel, &bench.frame), JL_OK);
    expect_card(&bench, size, 0);

    for (int mirrors = 0; mirrors < 4; mirrors++) {
        test_row("mirrors %d at run time", mirrors);
        EXPECT_INT(jl_panel_turn(&bench.panel, turns[mirrors]), JL_OK);
        EXPECT_INT(jl_panel_present(&bench.panel, &bench.frame), JL_OK);
        expect_card(&bench, size, mirrors);
    }
    EXPECT_INT(jl_panel_turn(&bench.panel, 0), JL_OK);

    test_row("scrolled away, stopped, presented again");
    EXPECT_INT(jl_panel_present(&bench.panel, &bench.frame), JL_OK);
    EXPECT_INT(jl_panel_scroll_start(&bench.panel, &scroll), JL_OK);
    jl_board_wait_ps(bench.board, 500000000000u);
    EXPECT_INT(jl_panel_scroll_stop(&bench.panel), JL_OK);
    EXPECT_INT(jl_panel_present(&bench.panel, &bench.frame), JL_OK);
    expect_card(&bench, size, 0);

    test_row("asleep, resumed");
    EXPECT_INT(jl_panel_sleep(&bench.panel), JL_OK);
    EXPECT_CONTAINS(jl_device_why_dark(bench.device), "sleeps");
    EXPECT_INT(jl_panel_resume(&bench.panel), JL_OK);
    expect_card(&bench, size, 0);

    test_row("contrast");
    EXPECT_INT(jl_device_brightness(bench.device), 0xCF);
    EXPECT_INT(jl_panel_contrast(&bench.panel, 10), JL_OK);
    EXPECT_INT(jl_device_brightness(bench.device), 10);

    test_row("woken again from awake");
    EXPECT_INT(jl_panel_wake(&bench.panel), JL_OK);
    EXPECT_INT(jl_panel_present(&bench.panel, &bench.frame), JL_OK);
    expect_card(&bench, size, 0);
    jl_picture_free(&black);
    bench_close(&bench);
}

/* The card's own wake-up sequence is sent instead of the driver's: here each lacks something. */
static void own_wake_up_sequences(void) {
    static const uint8_t no_pump[] = {JL_STEP_SEND(0xAE, 0x20, 0x00), JL_STEP_CLEAR,
                                      JL_STEP_SEND(0xAF)};
    static const uint8_t page_mode[] = {JL_STEP_SETUP, JL_STEP_SEND(0x20, 0x02), JL_STEP_CLEAR,
                                        JL_STEP_SEND(0xAF), JL_STEP_WAIT_MS(300)};
    static const uint8_t good[] = {JL_STEP_SEND(0xAE, 0x20, 0x00), JL_STEP_SETUP, JL_STEP_CLEAR,
                                   JL_STEP_SEND(0xAF)};
    static const struct {
        const char *name;
        const uint8_t *steps;
        size_t bytes;
        const char *dark;
        bool picture_right;
    } rows[] = {
        {"no charge pump", no_pump, sizeof no_pump, "charge pump is off", false},
        {"page mode", page_mode, sizeof page_mode, NULL, false},
        {"good", good, sizeof good, NULL, true},
    };
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        struct bench_panel bench;
        struct jl_panel_config config = bench_usual_config();
        config.wake_steps = rows[i].steps;
        config.wake_steps_bytes = (uint16_t)rows[i].bytes;
        test_row("%s", rows[i].name);
        bench_open_usual(&bench, &config);
        EXPECT_INT(jl_panel_wake(&bench.panel), JL_OK);
        jl_draw_test_card(&bench.frame.target, "ssd1306");
        EXPECT_INT(jl_panel_present(&bench.panel, &bench.frame), JL_OK);
        struct jl_picture seen = bench_look(&bench);
        struct jl_picture expected = expected_card(&sizes[0], 0);
        const char *why = jl_device_why_dark(bench.device);
        if (rows[i].dark) {
            EXPECT_CONTAINS(why ? why : "lit", rows[i].dark);
        } else {
            EXPECT(why == NULL);
        }
        EXPECT_INT(jl_picture_compare(&seen, &expected, 0, NULL) == 0, rows[i].picture_right);
        jl_picture_free(&seen);
        jl_picture_free(&expected);
        bench_close(&bench);
    }
}

/* A description that does not fit the glass: the mistakes of every day. */
static void wrong_descriptions_show(void) {
    static const struct {
        const char *name;
        int module, offset;
        struct jl_glass glass;
    } rows[] = {
        {"rows said to be sequential", JL_MODULE_ROWS_OTHER, 0, {.width = 128, .height = 64}},
        {"supply said to be external", JL_MODULE_EXTERNAL_SUPPLY, 0, {.width = 128, .height = 64}},
        {"mounted mirrored", 0, 0, {.width = 128, .height = 64, .mirrored_x = true}},
        {"mounted upside down", 0, 0, {.width = 128, .height = 64, .mirrored_y = true}},
    };
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        struct bench_panel bench;
        struct jl_panel_config config = bench_usual_config();
        config.module = (uint8_t)rows[i].module;
        test_row("%s", rows[i].name);
        bench_open(&bench, &config, &rows[i].glass);
        EXPECT_INT(jl_panel_wake(&bench.panel), JL_OK);
        jl_draw_test_card(&bench.frame.target, "ssd1306");
        EXPECT_INT(jl_panel_present(&bench.panel, &bench.frame), JL_OK);
        struct jl_picture seen = bench_look(&bench);
        for (int mirrors = 0; mirrors < 4; mirrors++) {
            int right = rows[i].glass.mirrored_x ? 1 : rows[i].glass.mirrored_y ? 2 : -1;
            struct jl_picture expected = expected_card(&sizes[0], mirrors);
            EXPECT_INT(jl_picture_compare(&seen, &expected, 0, NULL) == 0, mirrors == right);
            jl_picture_free(&expected);
        }
        jl_picture_free(&seen);
        bench_close(&bench);
    }
}

/* The photo: a dot is a square of the glass's colour with a dark gap. */
static void photo_of_the_glass(void) {
    struct jl_picture logical, photo;
    EXPECT(jl_picture_create(&logical, 4, 20));
    memset(jl_picture_at(&logical, 1, 0), 255, 3);
    memset(jl_picture_at(&logical, 1, 18), 255, 3);
    struct jl_glass glass = {.width = 4, .height = 20, .kind = JL_GLASS_YELLOW_BLUE};
    EXPECT(!jl_glass_photo(&glass, &logical, 255, true, 1, &photo));
    EXPECT(!jl_glass_photo(&glass, &logical, 255, true, 33, &photo));
    EXPECT(jl_glass_photo(&glass, &logical, 255, true, 10, &photo));
    EXPECT_INT(photo.width, (4 + 6) * 10);
    EXPECT_INT(photo.height, (20 + 6 + 1) * 10); /* one dot of gap between the colours */
    const uint8_t *yellow = jl_picture_at(&photo, 30 + 10 + 3, 30 + 3);
    const uint8_t *blue = jl_picture_at(&photo, 30 + 10 + 3, 30 + 19 * 10 + 3);
    const uint8_t *gap = jl_picture_at(&photo, 30 + 10 + 9, 30 + 3);
    const uint8_t *off = jl_picture_at(&photo, 30 + 3, 30 + 3);
    EXPECT(yellow[0] > 200 && yellow[1] > 150 && yellow[2] < 100);
    EXPECT(blue[2] > 200 && blue[0] < 150);
    EXPECT(gap[0] < 20 && gap[1] < 20 && off[0] < 40);
    struct jl_picture dim;
    EXPECT(jl_glass_photo(&glass, &logical, 0, true, 10, &dim));
    const uint8_t *dim_yellow = jl_picture_at(&dim, 30 + 10 + 3, 30 + 3);
    EXPECT(dim_yellow[0] < yellow[0] && dim_yellow[0] > off[0]);
    jl_picture_free(&dim);
    jl_picture_free(&photo);
    jl_picture_free(&logical);
}

/* Without its light TFT and blue LCD are black; other LCDs are dim, and can be read. */
static void photo_without_light(void) {
    static const struct {
        enum jl_glass_kind kind;
        bool needs_light, is_lcd;
    } rows[] = {{JL_GLASS_TFT, true, false},       {JL_GLASS_LCD_BLUE, true, true},
                {JL_GLASS_LCD_GREEN, false, true}, {JL_GLASS_LCD_GREY, false, true},
                {JL_GLASS_WHITE, false, false},    {JL_GLASS_COLOR_OLED, false, false}};
    struct jl_picture logical;
    EXPECT(jl_picture_create(&logical, 4, 4));
    memset(jl_picture_at(&logical, 1, 1), 255, 3);
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        struct jl_glass glass = {.width = 4, .height = 4, .kind = rows[i].kind};
        struct jl_picture lit, unlit;
        test_row("glass %d", (int)rows[i].kind);
        EXPECT_INT(jl_glass_needs_light(&glass), rows[i].needs_light);
        EXPECT_INT(jl_glass_is_lcd(&glass), rows[i].is_lcd);
        EXPECT(jl_glass_photo(&glass, &logical, 255, true, 10, &lit));
        EXPECT(jl_glass_photo(&glass, &logical, 255, false, 10, &unlit));
        int brightest = 0, changed = 0;
        for (int p = 0; p < unlit.width * unlit.height * 3; p++) {
            brightest = unlit.rgb[p] > brightest ? unlit.rgb[p] : brightest;
            changed += unlit.rgb[p] != lit.rgb[p];
        }
        EXPECT_INT(brightest < 24, rows[i].needs_light);
        EXPECT_INT(changed > 0, rows[i].needs_light || rows[i].is_lcd);
        if (rows[i].is_lcd && !rows[i].needs_light) {
            const uint8_t *dot = jl_picture_at(&unlit, 30 + 13, 30 + 13);
            const uint8_t *beside = jl_picture_at(&unlit, 30 + 3, 30 + 3);
            EXPECT(dot[1] + 30 < beside[1]);                         /* dark dots are seen */
            EXPECT(beside[1] + 30 < jl_picture_at(&lit, 33, 33)[1]); /* on darker ground */
        }
        jl_picture_free(&lit);
        jl_picture_free(&unlit);
    }
    jl_picture_free(&logical);
}

/* One lit pixel at each place of a cell: the characters of the Unicode charts, U+2580 and U+2800.
 */
static void terminal_characters(void) {
    static const char *const blocks[4] = {"\u2598", "\u259D", "\u2596", "\u2597"};
    static const char *const braille[8] = {"\u2801", "\u2808", "\u2802", "\u2810",
                                           "\u2804", "\u2820", "\u2840", "\u2880"};
    for (int i = 0; i < 8; i++) {
        struct jl_picture cell;
        char expected[16];
        EXPECT(jl_picture_create(&cell, 2, i < 4 ? 2 : 4));
        memset(jl_picture_at(&cell, i % 2, i / 2), 255, 3);
        char *text = jl_terminal_text(&cell, JL_TERMINAL_BRAILLE, 0);
        test_row("dot %d", i);
        snprintf(expected, sizeof expected, "%s\n", braille[i]);
        EXPECT_TEXT(text, expected);
        free(text);
        if (i < 4) {
            text = jl_terminal_text(&cell, JL_TERMINAL_BLOCKS, 0);
            snprintf(expected, sizeof expected, "%s\n", blocks[i]);
            EXPECT_TEXT(text, expected);
            free(text);
        }
        jl_picture_free(&cell);
    }
    struct jl_picture odd; /* a size that does not fill the last cells */
    EXPECT(jl_picture_create(&odd, 3, 5));
    memset(odd.rgb, 255, 3 * 5 * 3);
    char *text = jl_terminal_text(&odd, JL_TERMINAL_BLOCKS, 0);
    EXPECT_TEXT(text, "\u2588\u258C\n\u2588\u258C\n\u2580\u2598\n");
    free(text);
    jl_picture_free(&odd);
}

/* Pictures onto pictures: what lies beside is cut, on each side. */
static void placed_pictures(void) {
    static const struct {
        int x, y, left, top, right, bottom; /* what is white then */
    } rows[] = {{2, 3, 2, 3, 6, 6},  {-1, -2, 0, 0, 3, 1}, {8, 6, 8, 6, 10, 8},
                {-4, 0, 0, 0, 0, 0}, {0, -3, 0, 0, 0, 0},  {10, 0, 0, 0, 0, 0},
                {0, 8, 0, 0, 0, 0},  {-1, 7, 0, 7, 3, 8},  {9, -1, 9, 0, 10, 2}};
    struct jl_picture small, onto, made;
    EXPECT(jl_picture_create(&small, 4, 3));
    memset(small.rgb, 255, 4 * 3 * 3);
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        int wrong = 0;
        EXPECT(jl_picture_create(&onto, 10, 8));
        jl_picture_place(&onto, &small, rows[i].x, rows[i].y);
        for (int k = 0; k < 10 * 8; k++) {
            bool inside = k % 10 >= rows[i].left && k % 10 < rows[i].right &&
                          k / 10 >= rows[i].top && k / 10 < rows[i].bottom;
            wrong += (onto.rgb[3 * k] == 255) != inside;
        }
        test_row("at %d, %d", rows[i].x, rows[i].y);
        EXPECT_INT(wrong, 0);
        jl_picture_free(&onto);
    }
    EXPECT(!jl_picture_enlarge(&small, 0, &made) && !jl_picture_enlarge(&small, -2, &made));
    EXPECT(!jl_picture_enlarge(&small, 100000, &made));
    jl_picture_free(&small);
}

const struct test_group test_groups[] = {
    {"placed_pictures", placed_pictures},
    {"every_size_and_flip", every_size_bus_mounting_and_flip},
    {"stored_test_cards", stored_test_cards},
    {"a_panels_life", a_panels_life},
    {"own_wake_up_sequences", own_wake_up_sequences},
    {"wrong_descriptions_show", wrong_descriptions_show},
    {"photo_of_the_glass", photo_of_the_glass},
    {"photo_without_light", photo_without_light},
    {"terminal_characters", terminal_characters},
    {"three_wires_and_parallel", three_wires_and_parallel},
    {NULL, NULL},
};
