/* Every drawing call against the naive reference, with guarded memory. */
#include "harness.h"

#include <stdio.h>
#include <string.h>

#include "jadelamp/jadelamp.h"
#include "naive.h"

enum { GUARD = 64, GUARD_BYTE = 0x5A };

static struct naive reference;

struct sheet {
    uint8_t memory[GUARD + JL_MONO_COLUMNS_BYTES(NAIVE_SIDE, NAIVE_SIDE) + GUARD];
    struct jl_frame frame;
    size_t bytes;
};

static struct sheet sheet;

static void sheet_open(int width, int height) {
    memset(sheet.memory, GUARD_BYTE, sizeof sheet.memory);
    sheet.bytes = JL_MONO_COLUMNS_BYTES(width, height);
    EXPECT_INT(jl_frame_init(&sheet.frame, &jl_mono_columns, (int16_t)width, (int16_t)height,
                             sheet.memory + GUARD, sheet.bytes),
               JL_OK);
    naive_init(&reference, width, height);
}

/* The datasheet's layout of the RAM, read bit by bit. */
static bool sheet_lit(int x, int y) {
    return sheet.memory[GUARD + y / 8 * reference.width + x] >> y % 8 & 1;
}

static bool sheet_equals_reference(void) {
    for (int y = 0; y < reference.height; y++) {
        for (int x = 0; x < reference.width; x++) {
            if (sheet_lit(x, y) != reference.lit[y][x]) {
                return test_check(false, __FILE__, __LINE__, "pixel %d,%d is %d", x, y,
                                  sheet_lit(x, y));
            }
        }
    }
    for (int i = 0; i < GUARD; i++) {
        if (sheet.memory[i] != GUARD_BYTE ||
            sheet.memory[GUARD + sheet.bytes + (size_t)i] != GUARD_BYTE) {
            return test_check(false, __FILE__, __LINE__, "memory beside the frame was written");
        }
    }
    return test_check(true, __FILE__, __LINE__, "equal");
}

static jl_color random_color(struct test_random *random) {
    static const jl_color colors[] = {JL_BLACK, JL_WHITE, JL_WHITE, JL_CLEAR};
    return colors[test_random_between(random, 0, 3)];
}

static struct jl_rect random_rect(struct test_random *random) {
    return (struct jl_rect){test_random_coordinate(random, reference.width),
                            test_random_coordinate(random, reference.height),
                            test_random_coordinate(random, reference.width),
                            test_random_coordinate(random, reference.height)};
}

static void call_fill(struct test_random *random) {
    struct jl_rect r = random_rect(random);
    jl_color color = random_color(random);
    jl_fill_rect(&sheet.frame.target, r, color);
    naive_fill(&reference, r, color);
}

static void call_stroke(struct test_random *random) {
    struct jl_rect r = random_rect(random);
    jl_color color = random_color(random);
    jl_stroke_rect(&sheet.frame.target, r, color);
    naive_stroke(&reference, r, color);
}

static void call_line(struct test_random *random) {
    struct jl_rect r = random_rect(random);
    jl_color color = random_color(random);
    jl_draw_line(&sheet.frame.target, r.x, r.y, r.w, r.h, color);
    naive_line(&reference, r.x, r.y, r.w, r.h, color);
}

static void call_pixel(struct test_random *random) {
    struct jl_rect r = random_rect(random);
    jl_color color = random_color(random);
    jl_draw_pixel(&sheet.frame.target, r.x, r.y, color);
    naive_put(&reference, r.x, r.y, color);
}

static void call_bitmap(struct test_random *random) {
    static const struct jl_bit_order *const orders[] = {&jl_bits_columns, &jl_bits_rows_msb,
                                                        &jl_bits_rows_lsb};
    uint8_t bits[40 * 5];
    struct jl_bitmap map = {bits, (int16_t)test_random_between(random, 1, 40),
                            (int16_t)test_random_between(random, 1, 40),
                            orders[test_random_between(random, 0, 2)]};
    for (size_t i = 0; i < sizeof bits; i++) {
        bits[i] = (uint8_t)test_random_next(random);
    }
    struct jl_rect r = random_rect(random);
    jl_color ink = random_color(random), paper = random_color(random);
    jl_draw_bitmap(&sheet.frame.target, r.x, r.y, &map, ink, paper);
    naive_bitmap(&reference, r.x, r.y, &map, ink, paper);
}

static void call_text(struct test_random *random) {
    char text[12];
    int length = test_random_between(random, 0, 11);
    for (int i = 0; i < length; i++) {
        text[i] = (char)test_random_between(random, 1, 127);
    }
    text[length] = '\0';
    struct jl_rect r = random_rect(random);
    struct jl_text_style style = {&jl_font_6x8, random_color(random), random_color(random)};
    jl_text(&sheet.frame.target, r.x, r.y, text, &style);
    naive_text(&reference, r.x, r.y, text, style.ink, style.paper);
}

static void call_clip(struct test_random *random) {
    struct jl_rect whole = {0, 0, (int16_t)reference.width, (int16_t)reference.height};
    if (test_random_between(random, 0, 2) == 0) {
        jl_target_unclip(&sheet.frame.target);
        reference.clip = whole;
    } else {
        struct jl_rect r = random_rect(random);
        jl_target_clip(&sheet.frame.target, r);
        reference.clip = r;
    }
}

static void random_calls_equal_reference(void) {
    static void (*const calls[])(struct test_random *) = {
        call_fill, call_stroke, call_line, call_pixel, call_bitmap, call_text, call_clip};
    static const struct {
        int width, height;
    } sizes[] = {{128, 64}, {72, 40}, {64, 48}, {1, 1}, {5, 3}, {9, 17}, {128, 32}, {200, 201}};
    for (uint32_t seed = 1; seed <= 400; seed++) {
        struct test_random random = {seed * 2654435761u};
        int size = (int)(seed % 8);
        sheet_open(sizes[size].width, sizes[size].height);
        for (int i = 0; i < 25; i++) {
            int call = test_random_between(&random, 0, 6);
            test_row("seed %u, call %d of kind %d, %d x %d", (unsigned)seed, i, call,
                     reference.width, reference.height);
            calls[call](&random);
            if (!sheet_equals_reference()) {
                return;
            }
        }
    }
}

/* Every small rectangle, where the special cases live: all of 13 * 13 * 8 * 8. */
static void small_rectangles(void) {
    for (int i = 0; i < 13 * 13 * 8 * 8; i++) {
        struct jl_rect r = {(int16_t)(i / 832 - 2), (int16_t)(i / 64 % 13 - 2),
                            (int16_t)(i / 8 % 8 - 1), (int16_t)(i % 8 - 1)};
        test_row("%d,%d %d x %d", r.x, r.y, r.w, r.h);
        sheet_open(9, 9);
        jl_stroke_rect(&sheet.frame.target, r, JL_WHITE);
        naive_stroke(&reference, r, JL_WHITE);
        bool good = sheet_equals_reference();
        jl_fill_rect(&sheet.frame.target, r, JL_WHITE);
        naive_fill(&reference, r, JL_WHITE);
        if (!good || !sheet_equals_reference()) {
            return;
        }
    }
}

/* Each of the 95 glyphs, in normal and inverted colours, against the art. */
static void font_equals_its_art(void) {
    for (unsigned code = 0x20; code < 0x7F; code++) {
        bool glyph[8][5];
        char text[2] = {(char)code, '\0'};
        test_row("U+%04X", code);
        EXPECT(naive_glyph(code, glyph));
        sheet_open(6, 8);
        struct jl_text_style normal = {&jl_font_6x8, JL_WHITE, JL_BLACK};
        struct jl_text_style inverted = {&jl_font_6x8, JL_BLACK, JL_WHITE};
        EXPECT_INT(jl_text(&sheet.frame.target, 0, 0, text, &normal), 0);
        naive_text(&reference, 0, 0, text, JL_WHITE, JL_BLACK);
        sheet_equals_reference();
        jl_text(&sheet.frame.target, 0, 0, text, &inverted);
        naive_text(&reference, 0, 0, text, JL_BLACK, JL_WHITE);
        sheet_equals_reference();
    }
    bool glyph[8][5];
    EXPECT(!naive_glyph(0x7F, glyph));
}

static void line_is_the_same_both_ways(void) {
    struct test_random random = {7};
    for (int i = 0; i < 500; i++) {
        struct jl_rect r = random_rect(&random);
        uint8_t forth[JL_MONO_COLUMNS_BYTES(64, 64)];
        sheet_open(64, 64);
        jl_draw_line(&sheet.frame.target, r.x, r.y, r.w, r.h, JL_WHITE);
        memcpy(forth, sheet.memory + GUARD, sizeof forth);
        sheet_open(64, 64);
        jl_draw_line(&sheet.frame.target, r.w, r.h, r.x, r.y, JL_WHITE);
        test_row("%d,%d to %d,%d", r.x, r.y, r.w, r.h);
        EXPECT_BYTES(sheet.memory + GUARD, forth, sizeof forth);
    }
}

/* Damage covers every changed pixel, and redrawing the same is no damage. */
static void damage_follows_changes(void) {
    static const struct jl_text_style style = {&jl_font_6x8, JL_WHITE, JL_BLACK};
    static const struct {
        const char *first, *second;
        int rects;
        struct jl_rect area;
    } rows[] = {
        {"12.34", "12.34", 0, {0, 0, 0, 0}},
        {"12.34", "12.84", 1, {28, 16, 2, 8}}, /* '3' and '8' differ in columns 0 and 1 */
        {"AAAAAAAAAAAA", "BAAAAAAAAAAB", 2, {0, 0, 0, 0}},
    };
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        test_row("%s to %s", rows[i].first, rows[i].second);
        sheet_open(128, 64);
        jl_text(&sheet.frame.target, 10, 16, rows[i].first, &style);
        jl_damage_clear(&sheet.frame.damage);
        jl_text(&sheet.frame.target, 10, 16, rows[i].second, &style);
        EXPECT_INT(sheet.frame.damage.count, rows[i].rects);
        if (rows[i].area.w) {
            EXPECT_BYTES(&sheet.frame.damage.rects[0], &rows[i].area, sizeof rows[i].area);
        }
    }
    struct test_random random = {99};
    for (int round = 0; round < 300; round++) {
        uint8_t before[JL_MONO_COLUMNS_BYTES(128, 64)];
        if (round % 30 == 0) {
            sheet_open(128, 64);
        }
        memcpy(before, sheet.frame.pixels, sizeof before);
        jl_damage_clear(&sheet.frame.damage);
        call_text(&random);
        call_line(&random);
        call_fill(&random);
        for (int i = 0; i < sheet.frame.damage.count; i++) {
            struct jl_rect r = sheet.frame.damage.rects[i];
            for (int page = r.y / 8; page <= (r.y + r.h - 1) / 8; page++) {
                memcpy(before + page * 128 + r.x, sheet.frame.pixels + page * 128 + r.x,
                       (size_t)r.w);
            }
        }
        test_row("round %d", round);
        EXPECT_BYTES(sheet.frame.pixels, before, sizeof before);
    }
}

const struct test_group test_groups[] = {
    {"random_calls", random_calls_equal_reference},
    {"small_rectangles", small_rectangles},
    {"font_art", font_equals_its_art},
    {"line_both_ways", line_is_the_same_both_ways},
    {"damage_follows", damage_follows_changes},
    {NULL, NULL},
};
