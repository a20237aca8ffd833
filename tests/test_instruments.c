/*
 * Instruments. Whatever happened to one of any kind, in any theme, size and format: what it redrew
 * is what a full drawing shows, to the pixel; it stays in its box; and its damage has in it all
 * that changed. Then what each kind does with events, row by row.
 */
#include "harness.h"

#include <stdlib.h>
#include <string.h>

#include "instrument_kinds.h"
#include "stage.h"

enum { WIDTH = 160, HEIGHT = 120, BYTES = JL_RGB888_BYTES(WIDTH, HEIGHT) };

static uint8_t memory[3][BYTES];

static const struct jl_format *const formats[] = {
    &jl_rgb565, &jl_mono_columns, &jl_mono_rows, &jl_grey4, &jl_rgb888, &jl_black_white_red};
enum { FORMATS = sizeof formats / sizeof formats[0] };

static struct jl_frame frame_in(int which, const struct jl_format *format) {
    struct jl_frame frame;
    EXPECT_INT(jl_frame_init(&frame, format, WIDTH, HEIGHT, memory[which], BYTES), JL_OK);
    return frame;
}

static bool is_in(struct jl_rect box, int x, int y) {
    return x >= box.x && x < box.x + box.w && y >= box.y && y < box.y + box.h;
}

static bool is_damaged(const struct jl_damage *damage, int x, int y) {
    for (int i = 0; i < damage->count; i++) {
        if (is_in(damage->rects[i], x, y)) {
            return true;
        }
    }
    return false;
}

static jl_color color_at(const struct jl_frame *frame, int x, int y) {
    jl_color row[1];
    frame->format->ops.get(&frame->target, (int16_t)x, (int16_t)y, 1, row);
    return row[0];
}

/* Looks at every pixel after a redraw; the name of what is wrong, or NULL. */
static const char *fault(const struct jl_frame *frame, const struct jl_frame *before,
                         const struct jl_frame *full, const struct jl_damage *damage,
                         struct jl_rect box) {
    for (int y = 0; y < HEIGHT; y++) {
        for (int x = 0; x < WIDTH; x++) {
            jl_color now = color_at(frame, x, y);
            if (is_in(box, x, y) && now != color_at(full, x, y)) {
                return "a pixel differs from a full drawing";
            }
            if (!is_in(box, x, y) && now != color_at(before, x, y)) {
                return "a pixel outside of the box changed";
            }
            if (now != color_at(before, x, y) && !is_damaged(damage, x, y)) {
                return "a pixel changed without damage";
            }
        }
    }
    return NULL;
}

/* A box of a kind's least size at least, within the frame. */
static struct jl_rect random_box(struct test_random *random, const struct kind *kind) {
    struct jl_rect box;
    box.w = (int16_t)test_random_between(random, kind->least_width, WIDTH);
    box.h = (int16_t)test_random_between(random, kind->least_height, HEIGHT);
    box.x = (int16_t)test_random_between(random, 0, WIDTH - box.w);
    box.y = (int16_t)test_random_between(random, 0, HEIGHT - box.h);
    return box;
}

static void random_sequences_of(const struct kind *kind, int runs) {
    struct test_random random = {2026};
    const char *wrong = NULL;
    int redrawn = 0;
    for (int run = 0; run < runs && !wrong; run++) {
        const struct jl_format *format = formats[run % FORMATS];
        struct jl_frame frame = frame_in(0, format);
        struct jl_frame before = frame_in(1, format);
        struct jl_frame full = frame_in(2, format);
        struct jl_damage damage;
        union instrument instrument;
        struct faces faces;
        struct jl_rect box = random_box(&random, kind);
        kind->make(&instrument, &faces, &random, box, kind_themes[run % KIND_THEMES]);
        jl_frame_track(&frame, &damage);
        jl_fill_pattern(&frame.target, (struct jl_rect){0, 0, WIDTH, HEIGHT}, jl_pattern_cross,
                        JL_WHITE, JL_RED);
        for (int step = 0; step < 24 && !wrong; step++) {
            memcpy(memory[1], memory[0], BYTES);
            jl_damage_clear(&damage);
            bool drew = kind->redraw(&frame.target, &instrument);
            redrawn += drew;
            kind->draw(&full.target, &instrument);
            test_row("%s, run %d, step %d, box %d,%d %dx%d, theme %d, format %d", kind->name, run,
                     step, box.x, box.y, box.w, box.h, run % KIND_THEMES, run % FORMATS);
            wrong = fault(&frame, &before, &full, &damage, box);
            if (!wrong && !drew && damage.count) {
                wrong = "it said that it drew nothing";
            }
            if (!wrong && kind->redraw(&frame.target, &instrument)) {
                wrong = "it draws again though nothing changed";
            }
            for (int k = test_random_between(&random, 0, 3); k >= 0; k--) {
                kind->change(&instrument, &random, box);
            }
            if (test_random_between(&random, 0, 9) == 0) { /* another theme on the way */
                faces.theme = *kind_themes[test_random_between(&random, 0, KIND_THEMES - 1)];
                kind->undraw(&instrument);
            }
        }
    }
    EXPECT_TEXT(wrong ? wrong : "", "");
    EXPECT(redrawn > runs * 4);
}

static void random_sequences(void) {
    for (int i = 0; i < KINDS; i++) {
        random_sequences_of(&kinds_of_instruments[i], test_cases(60));
    }
}

/* In bands of 8 rows, and in random clips in any order, the same picture comes. */
static void bands_and_clips(void) {
    struct test_random random = {7};
    for (int i = 0; i < KINDS; i++) {
        const struct kind *kind = &kinds_of_instruments[i];
        for (int run = 0; run < 20; run++) {
            struct jl_frame frame = frame_in(0, &jl_rgb565), full = frame_in(1, &jl_rgb565);
            union instrument instrument;
            struct faces faces;
            struct jl_rect box = random_box(&random, kind);
            kind->make(&instrument, &faces, &random, box, kind_themes[run % KIND_THEMES]);
            for (int k = 0; k < 10; k++) {
                kind->change(&instrument, &random, box);
            }
            kind->draw(&full.target, &instrument);
            for (int16_t y = 0; y < HEIGHT; y = (int16_t)(y + 8)) {
                int16_t cut = (int16_t)test_random_between(&random, 0, WIDTH);
                const struct jl_rect halves[2] = {{0, y, cut, 8},
                                                  {cut, y, (int16_t)(WIDTH - cut), 8}};
                for (int half = 1; half >= 0; half--) {
                    struct jl_rect before = jl_target_clip(&frame.target, halves[half]);
                    kind->draw(&frame.target, &instrument);
                    jl_target_unclip(&frame.target, before);
                }
            }
            test_row("%s, run %d", kind->name, run);
            EXPECT_BYTES(memory[0], memory[1], JL_RGB565_BYTES(WIDTH, HEIGHT));
        }
    }
}

/* Straight on the panel, without a frame: the glass shows what a frame would. */
static void without_a_frame(void) {
    static uint8_t work[240 * 2];
    const struct make *make = make_named("ili9341 240x320");
    struct test_random random = {21};
    for (int i = 0; i < KINDS; i++) {
        const struct kind *kind = &kinds_of_instruments[i];
        struct wish wish = {.ops = &jl_sim_port_rich_ops};
        struct stage stage;
        struct jl_direct direct;
        union instrument instrument;
        struct faces faces;
        struct jl_rect box = random_box(&random, kind);
        test_row("%s", kind->name);
        stage_open(&stage, make, &wish);
        EXPECT_INT(jl_panel_wake(&stage.panel), JL_OK);
        EXPECT_INT(jl_direct_init(&direct, &stage.panel, work, sizeof work), JL_OK);
        jl_clear(&direct.target, JL_NAVY);
        kind->make(&instrument, &faces, &random, box, &jl_theme_night);
        for (int step = 0; step < 8; step++) {
            kind->redraw(&direct.target, &instrument);
            kind->change(&instrument, &random, box);
        }
        kind->redraw(&direct.target, &instrument);
        EXPECT_INT(direct.status, JL_OK);
        struct jl_frame frame = stage_frame(&stage, 0);
        jl_clear(&frame.target, JL_NAVY);
        kind->draw(&frame.target, &instrument);
        stage_expect_shown(&stage, make, &frame);
        stage_expect_content(&stage);
        stage_close(&stage);
    }
}

/* On small glass: nothing leaves its box, even where there is no room for it. */
static void tiny_boxes(void) {
    struct test_random random = {11};
    for (int i = 0; i < KINDS; i++) {
        const struct kind *kind = &kinds_of_instruments[i];
        for (int run = 0; run < 60; run++) {
            struct jl_frame frame = frame_in(0, &jl_mono_rows);
            union instrument instrument;
            struct faces faces;
            struct jl_rect box = {50, 50, (int16_t)test_random_between(&random, 0, 12),
                                  (int16_t)test_random_between(&random, 0, 12)};
            kind->make(&instrument, &faces, &random, box, &jl_theme_lit);
            bool outside = false;
            for (int k = 0; k < 10; k++) {
                kind->change(&instrument, &random, box);
                kind->redraw(&frame.target, &instrument);
            }
            kind->draw(&frame.target, &instrument);
            for (int y = 0; y < HEIGHT; y++) {
                for (int x = 0; x < WIDTH; x++) {
                    outside |= !is_in(box, x, y) && color_at(&frame, x, y) != JL_BLACK;
                }
            }
            test_row("%s, %dx%d", kind->name, box.w, box.h);
            EXPECT(!outside);
        }
    }
}

/* A finger that misses hits nothing: no gesture off the box changes anything. */
static void misses_hit_nothing(void) {
    struct test_random random = {3};
    for (int i = 0; i < KINDS; i++) {
        const struct kind *kind = &kinds_of_instruments[i];
        if (!kind->event) {
            continue;
        }
        union instrument instrument, before;
        struct faces faces;
        struct jl_rect box = {60, 40, (int16_t)(kind->least_width + 30),
                              (int16_t)(kind->least_height + 30)};
        bool said = false;
        struct jl_frame frame = frame_in(0, &jl_rgb565);
        kind->make(&instrument, &faces, &random, box, &jl_theme_day);
        kind->redraw(&frame.target, &instrument);
        memcpy(&before, &instrument, sizeof before);
        for (int k = 0; k < 4000; k++) {
            struct jl_event event = {
                .kind = (uint8_t)test_random_between(&random, JL_EVENT_PRESS, JL_EVENT_SPREAD),
                .which = (uint8_t)test_random_between(&random, 0, 1)};
            do {
                event.x = (int16_t)test_random_between(&random, -20, WIDTH + 20);
                event.y = (int16_t)test_random_between(&random, -20, HEIGHT + 20);
            } while (is_in(box, event.x, event.y));
            event.dx = (int16_t)test_random_between(&random, -500, 500);
            event.dy = (int16_t)test_random_between(&random, -500, 500);
            said |= kind->event(&instrument, &event);
        }
        test_row("%s", kind->name);
        EXPECT(!said);
        EXPECT_BYTES(&instrument, &before, kind->bytes);
    }
}

/* ---- what they show, by geometry ---- */

/* Colours that no two parts share. */
static const struct jl_theme map_theme = {.back = JL_RGB(10, 0, 0),
                                          .face = JL_RGB(20, 0, 0),
                                          .ink = JL_RGB(30, 0, 0),
                                          .line = JL_RGB(40, 0, 0),
                                          .unlit = JL_RGB(50, 0, 0),
                                          .accent = JL_RGB(60, 0, 0),
                                          .good = JL_RGB(70, 0, 0),
                                          .warn = JL_RGB(80, 0, 0),
                                          .alarm = JL_RGB(90, 0, 0),
                                          .font = &jl_font_6x8,
                                          .large = &jl_font_8x13};
enum {
    BACK = 10,
    FACE = 20,
    INK = 30,
    LINE = 40,
    UNLIT = 50,
    ACCENT = 60,
    GOOD = 70,
    WARN = 80,
    ALARM = 90
};

struct place {
    int x, y, role;
};

static void expect_places(const struct jl_frame *frame, const char *what,
                          const struct place *places, size_t count) {
    for (size_t i = 0; i < count; i++) {
        test_row("%s at %d, %d", what, places[i].x, places[i].y);
        EXPECT_INT(jl_color_red(color_at(frame, places[i].x, places[i].y)), places[i].role);
    }
}
#define EXPECT_PLACES(what, ...)                                                                   \
    do {                                                                                           \
        static const struct place places[] = {__VA_ARGS__};                                        \
        expect_places(&frame, what, places, sizeof places / sizeof places[0]);                     \
    } while (0)

static const struct jl_zone thirds[] = {
    {40, JL_GRADE_GOOD}, {70, JL_GRADE_WARN}, {100, JL_GRADE_ALARM}};

static void bars_and_levels(void) {
    struct jl_frame frame = frame_in(0, &jl_rgb888);
    /* 100 pixels within the outline: a pixel for one. */
    static const struct jl_bar_face upright = {{0, 0, 20, 102}, &map_theme, {0, 100, thirds, 3}, 0};
    static const struct jl_bar_face flat = {{0, 105, 102, 14}, &map_theme, {-50, 50, NULL, 0}, 2};
    struct jl_bar bar = {.face = &upright, .value = 37}, other = {.face = &flat, .value = -25};
    jl_bar_draw(&frame.target, &bar);
    jl_bar_draw(&frame.target, &other);
    EXPECT_PLACES("bar", {10, 64, ACCENT}, {10, 63, UNLIT}, {10, 100, ACCENT}, {10, 1, UNLIT},
                  {0, 50, LINE}, {10, 101, LINE}, {1, 64, ACCENT}, {18, 64, ACCENT},
                  {19, 64, LINE});
    EXPECT_PLACES("flat bar", {25, 110, ACCENT}, {26, 110, UNLIT}, {1, 117, LINE}, {50, 117, LINE},
                  {100, 117, LINE}, {30, 117, FACE});
    bar.value = 41;
    jl_bar_redraw(&frame.target, &bar);
    EXPECT_PLACES("bar in its second zone", {10, 100, WARN}, {10, 60, WARN}, {10, 59, UNLIT});
    bar.value = 1000;
    jl_bar_redraw(&frame.target, &bar);
    EXPECT_PLACES("bar past its end", {10, 1, ALARM}, {10, 100, ALARM});

    static const struct jl_level_face level_face = {
        {0, 0, 100, 20}, &map_theme, {0, 100, thirds, 3}, 10};
    struct jl_level level = {.face = &level_face};
    frame = frame_in(0, &jl_rgb888);
    jl_level_set(&level, 84);
    jl_level_set(&level, 50); /* segments of ten: five are lit, and the one of the peak */
    jl_level_redraw(&frame.target, &level);
    EXPECT_PLACES("level", {5, 10, GOOD}, {35, 10, GOOD}, {45, 10, WARN}, {55, 10, UNLIT},
                  {75, 10, ALARM}, {85, 10, UNLIT}, {10, 10, FACE}, {95, 10, UNLIT});
}

/* Each digit by the bars that it has: upper, right upper, right lower, foot, left lower, left
 * upper, middle. */
static void seven_segments(void) {
    static const char *const lit[10] = {"1111110", "0110000", "1101101", "1111001", "0110011",
                                        "1011011", "1011111", "1110000", "1111111", "1111011"};
    /* In 21 x 37: bars of 3, so 12 wide and 14 high between them. */
    static const int16_t at[7][2] = {{7, 1},  {11, 10}, {11, 26}, {7, 35},
                                     {2, 26}, {2, 10},  {7, 18}};
    static const struct jl_digits_face face = {{0, 0, 21, 37}, &map_theme, 1, 0};
    static const struct jl_digits_face three = {{0, 0, 63, 37}, &map_theme, 3, 1};
    struct jl_frame frame = frame_in(0, &jl_rgb888);
    struct jl_digits digits = {.face = &face};
    for (int digit = 0; digit < 10; digit++) {
        digits.value = digit;
        jl_digits_redraw(&frame.target, &digits);
        for (int bar = 0; bar < 7; bar++) {
            test_row("digit %d, bar %d", digit, bar);
            EXPECT_INT(jl_color_red(color_at(&frame, at[bar][0], at[bar][1])),
                       lit[digit][bar] == '1' ? ACCENT : UNLIT);
        }
    }
    struct jl_digits more = {.face = &three,
                             .value = -7}; /* -0.7: a bar, nought and point, seven */
    jl_digits_redraw(&frame.target, &more);
    EXPECT_PLACES("-0.7", {7, 18, ACCENT}, {7, 1, UNLIT}, {28, 1, ACCENT}, {28, 18, UNLIT},
                  {36, 35, ACCENT}, {49, 1, ACCENT}, {44, 26, UNLIT});
    more.value = 10000; /* no room: bars */
    jl_digits_redraw(&frame.target, &more);
    EXPECT_PLACES("too long", {7, 18, ACCENT}, {28, 18, ACCENT}, {49, 18, ACCENT}, {7, 1, UNLIT});
}

static void dials_and_the_rest(void) {
    struct jl_frame frame = frame_in(0, &jl_rgb888);
    /* A quarter of the way round from the left to the right over the top: straight up at 50. */
    static const struct jl_dial_face face = {.box = {0, 0, 101, 101},
                                             .theme = &map_theme,
                                             .scale = {0, 100, thirds, 3},
                                             .start = JL_DEGREES(270),
                                             .sweep = JL_SWEEP(180),
                                             .major = 2};
    struct jl_dial dial = {.face = &face, .value = 50};
    jl_dial_redraw(&frame.target, &dial);
    /* Rings, radius 50: good to 72 degrees, then warn to 126, then alarm; the worse the thicker. */
    EXPECT_PLACES("dial", {50, 20, ACCENT}, {50, 50, INK}, {40, 50, FACE}, {2, 50, INK},
                  {0, 0, BACK}, {50, 0, LINE}, {60, 5, WARN}, {97, 45, ALARM}, {94, 45, ALARM},
                  {3, 45, GOOD}, {5, 45, FACE}, {50, 70, FACE});
    dial.value = 100;
    jl_dial_redraw(&frame.target, &dial);
    EXPECT_PLACES("dial at its end", {80, 50, ACCENT}, {50, 20, FACE}, {44, 50, ACCENT});
    dial.value = -5;
    jl_dial_redraw(&frame.target, &dial);
    EXPECT_PLACES("dial before its start", {20, 50, ACCENT}, {80, 50, FACE});

    /* A compass has no 360 over its 0. */
    static const struct jl_dial_face round_face = {.box = {0, 0, 101, 101},
                                                   .theme = &map_theme,
                                                   .scale = {0, 360, NULL, 0},
                                                   .sweep = JL_SWEEP(360),
                                                   .major = 4,
                                                   .numbers = true};
    struct jl_dial compass = {.face = &round_face, .value = 180};
    jl_dial_draw(&frame.target, &compass);
    int ink_at_the_left = 0, ink_in_the_middle = 0; /* of the text at the top, 37 from the middle */
    for (int y = 9; y < 17; y++) {
        for (int x = 41; x < 47; x++) {
            ink_at_the_left += jl_color_red(color_at(&frame, x, y)) == INK;
            ink_in_the_middle += jl_color_red(color_at(&frame, x + 6, y)) == INK;
        }
    }
    EXPECT_INT(ink_at_the_left, 0);
    EXPECT(ink_in_the_middle > 8);

    static const struct jl_button_face button_face = {{0, 0, 40, 20}, &map_theme, NULL};
    struct jl_button button = {.face = &button_face};
    jl_button_redraw(&frame.target, &button);
    EXPECT_PLACES("button", {20, 0, LINE}, {20, 2, FACE}, {0, 0, BACK}, {20, 10, FACE});
    button.focused = true;
    jl_button_redraw(&frame.target, &button);
    EXPECT_PLACES("button in focus", {20, 0, LINE}, {20, 2, ACCENT}, {20, 3, FACE});
    button.grip.inside = true;
    jl_button_redraw(&frame.target, &button);
    EXPECT_PLACES("button pressed", {20, 10, ACCENT}, {20, 2, BACK});

    static const struct jl_progress_face progress_face = {{0, 0, 104, 20}, &map_theme};
    struct jl_progress progress = {.face = &progress_face, .done = 25, .all = 100};
    frame = frame_in(0, &jl_rgb888);
    jl_progress_redraw(&frame.target, &progress);
    EXPECT_PLACES("progress", {2, 5, ACCENT}, {26, 5, ACCENT}, {27, 5, UNLIT}, {101, 5, UNLIT},
                  {1, 5, FACE}, {0, 5, LINE}, {103, 5, LINE});

    static const struct jl_lamp_face lamp_face = {
        {0, 30, 60, 20}, &map_theme, "Pump", JL_GRADE_ALARM};
    static const struct jl_check_face check_face = {{0, 60, 60, 20}, &map_theme, NULL};
    struct jl_lamp lamp = {.face = &lamp_face, .on = true};
    struct jl_check check = {.face = &check_face, .on = true};
    jl_lamp_redraw(&frame.target, &lamp);
    jl_check_redraw(&frame.target, &check);
    EXPECT_PLACES("lamp and check", {5, 40, ALARM}, {6, 70, ACCENT}, {2, 70, FACE}, {1, 70, LINE});
    lamp.on = check.on = false;
    jl_lamp_redraw(&frame.target, &lamp);
    jl_check_redraw(&frame.target, &check);
    EXPECT_PLACES("off", {5, 40, UNLIT}, {6, 70, FACE});
}

/* ---- what events do ---- */

static struct jl_event at(uint8_t kind, int x, int y) {
    return (struct jl_event){.kind = kind, .x = (int16_t)x, .y = (int16_t)y};
}
static struct jl_event key(uint8_t which) {
    return (struct jl_event){.kind = JL_EVENT_KEY, .which = which};
}
static struct jl_event step(int dx) {
    return (struct jl_event){.kind = JL_EVENT_STEP, .dx = (int16_t)dx};
}

static void buttons_and_boxes(void) {
    static const struct jl_button_face face = {{10, 10, 40, 20}, &jl_theme_day, "Go"};
    static const struct jl_check_face check_face = {{10, 10, 40, 20}, &jl_theme_day, "Lit"};
    static const struct {
        const char *name;
        struct {
            uint8_t kind;
            uint8_t which;
            int16_t x;
            bool pressed, looks;
        } events[5];
    } rows[] = {
        {"tap", {{JL_EVENT_PRESS, 0, 20, false, true}, {JL_EVENT_TAP, 0, 20, true, false}}},
        {"held, lifted on it",
         {{JL_EVENT_PRESS, 0, 20, false, true},
          {JL_EVENT_HOLD, 0, 20, false, true},
          {JL_EVENT_RELEASE, 0, 20, true, false}}},
        {"slides off and leaves",
         {{JL_EVENT_PRESS, 0, 20, false, true},
          {JL_EVENT_DRAG, 0, 60, false, false},
          {JL_EVENT_RELEASE, 0, 60, false, false}}},
        {"slides off and comes back",
         {{JL_EVENT_PRESS, 0, 20, false, true},
          {JL_EVENT_DRAG, 0, 60, false, false},
          {JL_EVENT_DRAG, 0, 49, false, true},
          {JL_EVENT_FLICK, 0, 49, true, false}}},
        {"slides onto it from beside",
         {{JL_EVENT_PRESS, 0, 60, false, false},
          {JL_EVENT_DRAG, 0, 20, false, false},
          {JL_EVENT_RELEASE, 0, 20, false, false}}},
        {"another finger's tap beside the held one",
         {{JL_EVENT_PRESS, 0, 20, false, true},
          {JL_EVENT_TAP, 1, 20, false, true},
          {JL_EVENT_TAP, 0, 20, true, false}}},
        {"key without focus", {{JL_EVENT_KEY, JL_KEY_OK, 0, false, false}}},
    };
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        struct jl_button button = {.face = &face}, disabled = {.face = &face, .disabled = true};
        struct jl_check check = {.face = &check_face};
        test_row("%s", rows[i].name);
        for (int k = 0; k < 5 && rows[i].events[k].kind; k++) {
            struct jl_event event = at(rows[i].events[k].kind, rows[i].events[k].x, 15);
            event.which = rows[i].events[k].which;
            bool was = check.on;
            EXPECT_INT(jl_button_event(&button, &event), rows[i].events[k].pressed);
            EXPECT_INT(button.grip.inside, rows[i].events[k].looks);
            EXPECT_INT(jl_check_event(&check, &event), rows[i].events[k].pressed);
            EXPECT_INT(check.on != was, rows[i].events[k].pressed);
            EXPECT(!jl_button_event(&disabled, &event));
            EXPECT(!disabled.grip.inside);
        }
    }
    test_row("disabled under a finger, and enabled again");
    struct jl_button late = {.face = &face};
    struct jl_event press = at(JL_EVENT_PRESS, 20, 15), release = at(JL_EVENT_RELEASE, 20, 15);
    EXPECT(!jl_button_event(&late, &press));
    late.disabled = true;
    EXPECT(!jl_button_event(&late, &press));
    late.disabled = false;
    EXPECT(!jl_button_event(&late, &release));
    struct jl_button button = {.face = &face, .focused = true};
    struct jl_event ok = key(JL_KEY_OK), again = {.kind = JL_EVENT_KEY, .dx = 1};
    struct jl_event back = key(JL_KEY_BACK);
    test_row("keys");
    EXPECT(jl_button_event(&button, &ok));
    EXPECT(!jl_button_event(&button, &again));
    EXPECT(!jl_button_event(&button, &back));
}

/* Box of 110 x 15: a knob of 10, so a pixel is a hundredth of the way. */
static void sliders(void) {
    static const struct jl_slider_face across = {
        {10, 10, 110, 15}, &jl_theme_day, {0, 100, NULL, 0}, 1};
    static const struct jl_slider_face upright = {
        {10, 10, 15, 110}, &jl_theme_day, {-50, 50, NULL, 0}, 10};
    static const struct {
        const char *name;
        const struct jl_slider_face *face;
        struct jl_event event;
        bool focused, held, changed;
        int value; /* from 30 */
    } rows[] = {
        {"in the middle", &across, {JL_EVENT_PRESS, 0, 65, 15, 0, 0}, false, false, true, 50},
        {"the left end", &across, {JL_EVENT_PRESS, 0, 10, 15, 0, 0}, false, false, true, 0},
        {"the right end", &across, {JL_EVENT_PRESS, 0, 119, 15, 0, 0}, false, false, true, 100},
        {"beside it", &across, {JL_EVENT_PRESS, 0, 9, 15, 0, 0}, false, false, false, 30},
        {"dragged, below it", &across, {JL_EVENT_DRAG, 0, 55, 150, 0, 0}, false, true, true, 40},
        {"dragged, far off", &across, {JL_EVENT_DRAG, 0, -500, 15, 0, 0}, false, true, true, 0},
        {"dragged by another", &across, {JL_EVENT_DRAG, 1, 55, 15, 0, 0}, false, true, false, 30},
        {"dragged, not held", &across, {JL_EVENT_DRAG, 0, 55, 15, 0, 0}, false, false, false, 30},
        {"knob", &across, {JL_EVENT_STEP, 0, 0, 0, 3, 0}, true, false, true, 33},
        {"knob, no focus", &across, {JL_EVENT_STEP, 0, 0, 0, 3, 0}, false, false, false, 30},
        {"knob to the end", &across, {JL_EVENT_STEP, 0, 0, 0, 99, 0}, true, false, true, 100},
        {"key up is more", &across, {JL_EVENT_KEY, JL_KEY_UP, 0, 0, 0, 0}, true, false, true, 31},
        {"key down", &across, {JL_EVENT_KEY, JL_KEY_DOWN, 0, 0, 0, 0}, true, false, true, 29},
        {"upwards", &upright, {JL_EVENT_PRESS, 0, 15, 64, 0, 0}, false, false, true, 0},
        {"the top", &upright, {JL_EVENT_PRESS, 0, 15, 10, 0, 0}, false, false, true, 50},
        {"the foot", &upright, {JL_EVENT_PRESS, 0, 15, 119, 0, 0}, false, false, true, -50},
        {"steps of ten", &upright, {JL_EVENT_PRESS, 0, 15, 51, 0, 0}, false, false, true, 10},
    };
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        struct jl_slider slider = {.face = rows[i].face, .value = 30, .focused = rows[i].focused};
        slider.grip.held = rows[i].held;
        test_row("%s", rows[i].name);
        EXPECT_INT(jl_slider_event(&slider, &rows[i].event), rows[i].changed);
        EXPECT_INT(slider.value, rows[i].value);
    }
}

/* A knob that goes far damages where it was, where it is, and the track between: not the box. */
static void a_slider_that_goes_far(void) {
    static const struct jl_slider_face face = {
        {0, 0, 160, 30}, &jl_theme_day, {0, 100, NULL, 0}, 1};
    struct jl_slider slider = {.face = &face};
    struct jl_frame frame = frame_in(0, &jl_rgb565);
    struct jl_damage damage;
    jl_frame_track(&frame, &damage);
    jl_slider_redraw(&frame.target, &slider);
    jl_damage_clear(&damage);
    damage.window_price_px = 0;
    slider.value = 100;
    jl_slider_redraw(&frame.target, &slider);
    int pixels = 0;
    for (int i = 0; i < damage.count; i++) {
        pixels += damage.rects[i].w * damage.rects[i].h;
    }
    EXPECT(pixels <= 2 * 20 * 30 + 120 * 6); /* knobs of 20, and a track of 6 */
}

static void steppers(void) {
    static const struct jl_stepper_face face = {
        {0, 0, 100, 20}, &jl_theme_day, {0, 50, NULL, 0}, 2, 0, "cm"};
    static const struct {
        const char *name;
        struct jl_event events[3];
        bool focused;
        int value; /* from 10 */
    } rows[] = {
        {"more", {{JL_EVENT_PRESS, 0, 90, 5, 0, 0}, {JL_EVENT_TAP, 0, 90, 5, 0, 0}}, false, 12},
        {"less", {{JL_EVENT_PRESS, 0, 19, 5, 0, 0}, {JL_EVENT_TAP, 0, 19, 5, 0, 0}}, false, 8},
        {"the number",
         {{JL_EVENT_PRESS, 0, 50, 5, 0, 0}, {JL_EVENT_TAP, 0, 50, 5, 0, 0}},
         false,
         10},
        {"held: ten at once",
         {{JL_EVENT_PRESS, 0, 90, 5, 0, 0},
          {JL_EVENT_HOLD, 0, 90, 5, 0, 0},
          {JL_EVENT_RELEASE, 0, 90, 5, 0, 0}},
         false,
         30},
        {"held, to the end",
         {{JL_EVENT_PRESS, 0, 5, 5, 0, 0},
          {JL_EVENT_HOLD, 0, 5, 5, 0, 0},
          {JL_EVENT_RELEASE, 0, 5, 5, 0, 0}},
         false,
         0},
        {"a hold elsewhere", {{JL_EVENT_HOLD, 0, 90, 5, 0, 0}}, false, 10},
        {"slides off",
         {{JL_EVENT_PRESS, 0, 90, 5, 0, 0},
          {JL_EVENT_DRAG, 0, 50, 5, 0, 0},
          {JL_EVENT_RELEASE, 0, 50, 5, 0, 0}},
         false,
         10},
        {"knob", {{JL_EVENT_STEP, 0, 0, 0, -2, 0}}, true, 6},
        {"key up", {{JL_EVENT_KEY, JL_KEY_UP, 0, 0, 0, 0}}, true, 12},
    };
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        struct jl_stepper stepper = {.face = &face, .value = 10, .focused = rows[i].focused};
        bool changed = false;
        test_row("%s", rows[i].name);
        for (int k = 0; k < 3 && rows[i].events[k].kind; k++) {
            changed |= jl_stepper_event(&stepper, &rows[i].events[k]);
        }
        EXPECT_INT(stepper.value, rows[i].value);
        EXPECT_INT(changed, rows[i].value != 10);
    }
    /* Number and unit stand in the middle between the two keys, which are as wide as high. */
    static uint8_t pixels[100 * 20 * 3], expected[100 * 20 * 3];
    const struct jl_stepper stepper = {.face = &face, .value = 10};
    struct jl_text_style ink = {
        .font = face.theme->font, .ink = face.theme->ink, .paper = face.theme->back};
    struct jl_text_style line = ink;
    struct jl_frame frame, by_hand;
    line.ink = face.theme->line;
    EXPECT_INT(jl_frame_init(&frame, &jl_rgb888, 100, 20, pixels, sizeof pixels), JL_OK);
    EXPECT_INT(jl_frame_init(&by_hand, &jl_rgb888, 100, 20, expected, sizeof expected), JL_OK);
    jl_stepper_draw(&frame.target, &stepper);
    int number = jl_text_width(&ink, "10"), unit = jl_text_width(&line, "cm");
    int x = 20 + (60 - number - 3 - unit) / 2, y = (20 - ink.font->height) / 2;
    jl_clear(&by_hand.target, face.theme->back);
    jl_text(&by_hand.target, (int16_t)x, (int16_t)y, "10", &ink);
    jl_text(&by_hand.target, (int16_t)(x + number + 3), (int16_t)y, "cm", &line);
    for (int row = 0; row < 20; row++) {
        test_row("row %d", row);
        EXPECT_BYTES(pixels + 3 * (row * 100 + 20), expected + 3 * (row * 100 + 20), 3 * 60);
    }
}

/* Rows of 9 pixels in theme_lit: a list of 36 pixels shows four. */
static void lists(void) {
    static const char *const items[] = {"One", "Two", "Three", "Four", "Five", "Six", "Seven"};
    static const struct jl_list_face face = {{0, 0, 60, 36}, &jl_theme_lit};
    static const struct {
        const char *name;
        struct jl_event event;
        int selected, first; /* before: 1, 0 */
        bool chosen;
    } rows[] = {
        {"tap", {JL_EVENT_TAP, 0, 10, 20, 0, 0}, 2, 0, true},
        {"tap on the last row", {JL_EVENT_TAP, 0, 10, 35, 0, 0}, 3, 0, true},
        {"knob", {JL_EVENT_STEP, 0, 0, 0, 1, 0}, 2, 0, false},
        {"knob out of sight", {JL_EVENT_STEP, 0, 0, 0, 3, 0}, 4, 1, false},
        {"knob past the end", {JL_EVENT_STEP, 0, 0, 0, 30, 0}, 6, 3, false},
        {"knob before the start", {JL_EVENT_STEP, 0, 0, 0, -30, 0}, 0, 0, false},
        {"key down", {JL_EVENT_KEY, JL_KEY_DOWN, 0, 0, 0, 0}, 2, 0, false},
        {"key ok", {JL_EVENT_KEY, JL_KEY_OK, 0, 0, 0, 0}, 1, 0, true},
        {"key ok repeats", {JL_EVENT_KEY, JL_KEY_OK, 0, 0, 1, 0}, 1, 0, false},
        {"drag up", {JL_EVENT_DRAG, 0, 10, 10, 0, -19}, 1, 2, false},
        {"drag down at the top", {JL_EVENT_DRAG, 0, 10, 10, 0, 50}, 1, 0, false},
        {"drag far", {JL_EVENT_DRAG, 0, 10, 10, 0, -300}, 1, 3, false},
        {"flick up", {JL_EVENT_FLICK, 0, 10, 10, 0, -700}, 1, 3, false},
    };
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        struct jl_list list = {.face = &face, .items = items, .count = 7, .selected = 1};
        test_row("%s", rows[i].name);
        EXPECT_INT(jl_list_event(&list, &rows[i].event), rows[i].chosen);
        EXPECT_INT(list.selected, rows[i].selected);
        EXPECT_INT(list.first, rows[i].first);
    }
    struct jl_list list = {.face = &face, .items = items, .count = 7};
    test_row("slow drags add up");
    struct jl_event drag = {.kind = JL_EVENT_DRAG, .x = 5, .y = 5, .dy = -4};
    for (int i = 0; i < 5; i++) {
        jl_list_event(&list, &drag);
    }
    EXPECT_INT(list.first, 2); /* 20 pixels */
    test_row("flick down");
    struct jl_event flick = {.kind = JL_EVENT_FLICK, .x = 5, .y = 5, .dy = 600};
    jl_list_event(&list, &flick);
    EXPECT_INT(list.first, 0);
    test_row("below the last whole row");
    static const struct jl_list_face higher = {{0, 0, 60, 40}, &jl_theme_lit};
    struct jl_list cut = {.face = &higher, .items = items, .count = 7};
    struct jl_event low = at(JL_EVENT_TAP, 5, 38);
    EXPECT(!jl_list_event(&cut, &low));
    test_row("select");
    jl_list_select(&list, 99);
    EXPECT_INT(list.selected, 6);
    EXPECT_INT(list.first, 3);
    jl_list_select(&list, -1);
    EXPECT_INT(list.selected, 0);
    EXPECT_INT(list.first, 0);
    test_row("a text that is too long ends within its row");
    static const char *const longer[] = {"Lamp of the northern quay", "Two"};
    struct jl_list of_two = {.face = &face, .items = longer, .count = 2, .selected = 1};
    struct jl_frame frame = frame_in(0, &jl_mono_rows), by_hand = frame_in(1, &jl_mono_rows);
    const struct jl_text_style style = {.font = jl_theme_lit.font, .ink = JL_WHITE};
    jl_list_draw(&frame.target, &of_two);
    jl_text_box(&by_hand.target, (struct jl_rect){2, 0, 58, 9}, JL_ANCHOR_MIDDLE | JL_TEXT_ELLIPSIS,
                longer[0], &style);
    for (int i = 0; i < 9 * 64; i++) {
        EXPECT_INT(color_at(&frame, i % 64, i / 64), color_at(&by_hand, i % 64, i / 64));
    }
    /* The bar at the right: as long as the part of all that is seen, and where that is. */
    static uint8_t pixels[60 * 36 * 3];
    struct jl_theme theme = jl_theme_lit;
    theme.line = JL_RED;
    theme.unlit = JL_BLUE;
    const struct jl_list_face colored = {{0, 0, 60, 36}, &theme};
    struct jl_frame on;
    struct jl_list barred = {.face = &colored, .items = items, .count = 7};
    EXPECT_INT(jl_frame_init(&on, &jl_rgb888, 60, 36, pixels, sizeof pixels), JL_OK);
    for (int16_t first = 0; first <= 3; first++) {
        barred.first = first;
        jl_list_draw(&on.target, &barred);
        for (int y = 0; y < 36; y++) {
            int begin = 36 * first / 7, end = begin + 36 * 4 / 7;
            jl_color bar = y >= begin && y < end ? JL_RED : JL_BLUE;
            test_row("first %d, row %d", first, y);
            EXPECT_INT(color_at(&on, 59, y), bar);
            EXPECT_INT(color_at(&on, 57, y), bar);
            EXPECT(color_at(&on, 56, y) != bar);
        }
    }
    test_row("empty");
    list.count = 0;
    struct jl_event tap = at(JL_EVENT_TAP, 5, 5), ok = key(JL_KEY_OK);
    EXPECT(!jl_list_event(&list, &tap));
    EXPECT(!jl_list_event(&list, &ok));
}

static void menus(void) {
    static const struct jl_menu_entry gate[] = {{"Open", NULL, 1}, {"Close", NULL, 2}};
    static const struct jl_menu_page gates = {"Gates", gate, 2};
    static const struct jl_menu_entry top[] = {{"Lamp", NULL, 3}, {"Gates", &gates, 9}};
    static const struct jl_menu_page root = {"Lock 3", top, 2};
    static const struct jl_menu_face face = {{0, 0, 84, 48}, &jl_theme_lit};
    struct jl_menu menu = {.face = &face, .pages = {&root}};
    struct jl_event ok = key(JL_KEY_OK), back = key(JL_KEY_BACK), next = step(1);
    EXPECT_INT(jl_menu_event(&menu, &back), JL_MENU_NONE);
    EXPECT_INT(menu.depth, 0);
    EXPECT_INT(jl_menu_event(&menu, &ok), 3);
    EXPECT_INT(jl_menu_event(&menu, &next), JL_MENU_NONE);
    EXPECT_INT(jl_menu_event(&menu, &ok), JL_MENU_NONE);
    EXPECT_INT(menu.depth, 1);
    EXPECT(menu.pages[1] == &gates);
    EXPECT_INT(jl_menu_event(&menu, &next), JL_MENU_NONE);
    EXPECT_INT(jl_menu_event(&menu, &ok), 2);
    EXPECT_INT(jl_menu_event(&menu, &back), JL_MENU_NONE);
    EXPECT_INT(menu.depth, 0);
    EXPECT_INT(menu.selected[0], 1); /* where it was */
    struct jl_event on_gates = at(JL_EVENT_TAP, 20, 20), on_title = at(JL_EVENT_TAP, 20, 4);
    EXPECT_INT(jl_menu_event(&menu, &on_gates), JL_MENU_NONE);
    EXPECT_INT(menu.depth, 1);
    struct jl_event on_open = at(JL_EVENT_TAP, 20, 12);
    EXPECT_INT(jl_menu_event(&menu, &on_open), 1);
    EXPECT_INT(jl_menu_event(&menu, &on_title), JL_MENU_NONE);
    EXPECT_INT(menu.depth, 0);
    /* The title begins two pixels from the edge; behind an arrow a third of a line and four more.
     */
    for (int depth = 0; depth < 2; depth++) {
        static uint8_t pixels[84 * 48 * 3], expected[84 * 48 * 3];
        const struct jl_theme *theme = face.theme;
        struct jl_frame frame, by_hand;
        struct jl_menu shown = {.face = &face, .pages = {&root, &gates}, .depth = (uint8_t)depth};
        struct jl_text_style style = {.font = theme->font, .ink = theme->ink, .paper = theme->face};
        int x = depth ? 2 + theme->font->height / 3 + 4 : 2;
        EXPECT_INT(jl_frame_init(&frame, &jl_rgb888, 84, 48, pixels, sizeof pixels), JL_OK);
        EXPECT_INT(jl_frame_init(&by_hand, &jl_rgb888, 84, 48, expected, sizeof expected), JL_OK);
        jl_menu_draw(&frame.target, &shown);
        jl_clear(&by_hand.target, theme->face);
        jl_text(&by_hand.target, (int16_t)x, 0, depth ? "Gates" : "Lock 3", &style);
        for (int y = 0; y < theme->font->height; y++) {
            test_row("depth %d, row %d", depth, y);
            EXPECT_BYTES(pixels + 3 * (y * 84 + x - 1), expected + 3 * (y * 84 + x - 1), 3 * 40);
        }
    }
    /* A page that opens itself: as deep as there is room. */
    static struct jl_menu_entry round[] = {{"On", NULL, 5}};
    static const struct jl_menu_page endless = {"Round", round, 1};
    round[0].page = &endless;
    struct jl_menu deep = {.face = &face, .pages = {&endless}};
    for (int i = 0; i < 9; i++) {
        EXPECT_INT(jl_menu_event(&deep, &ok), JL_MENU_NONE);
    }
    EXPECT_INT(deep.depth, JL_MENU_DEPTH - 1);
}

/* A track is a fifth of its slider, and three pixels at least. */
static void tracks_of_sliders(void) {
    static uint8_t pixels[JL_RGB565_BYTES(80, 40)];
    static const struct {
        int16_t height;
        int track;
    } rows[] = {{10, 3}, {12, 3}, {15, 3}, {20, 4}, {40, 8}};
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        const struct jl_slider_face face = {.box = {0, 0, 80, rows[i].height},
                                            .theme = &jl_theme_night,
                                            .scale = {.from = 0, .to = 9}};
        const struct jl_slider slider = {.face = &face, .value = 0};
        struct jl_frame frame;
        jl_color color;
        int thick = 0;
        EXPECT_INT(jl_frame_init(&frame, &jl_rgb565, 80, 40, pixels, sizeof pixels), JL_OK);
        jl_slider_draw(&frame.target, &slider);
        frame.target.ops->get(&frame.target, 70, 0, 1, &color);
        for (int16_t y = 0; y < rows[i].height; y++) {
            jl_color here;
            frame.target.ops->get(&frame.target, 70, y, 1, &here);
            thick += here != color;
        }
        test_row("%d high", rows[i].height);
        EXPECT_INT(thick, rows[i].track);
    }
}

/* Without buttons text goes down to the edge of the box, and never onto it. */
static void messages_without_buttons(void) {
    static uint8_t pixels[2][JL_RGB565_BYTES(60, 64)];
    static const char *const texts[] = {
        "", "Close the gate, then wait for the lamp, and tell the warden of it"};
    for (int16_t height = 30; height < 64; height++) {
        struct jl_frame frames[2];
        for (int i = 0; i < 2; i++) {
            const struct jl_message_face face = {
                {0, 0, 60, height}, &jl_theme_night, NULL, texts[i], {NULL}, JL_GRADE_GOOD};
            const struct jl_message message = {.face = &face};
            EXPECT_INT(jl_frame_init(&frames[i], &jl_rgb565, 60, 64, pixels[i], sizeof pixels[i]),
                       JL_OK);
            jl_message_draw(&frames[i].target, &message);
        }
        test_row("%d rows", height);
        EXPECT(memcmp(pixels[0], pixels[1], sizeof pixels[0]) != 0);
        EXPECT_BYTES(&pixels[1][(height - 2) * 60 * 2], &pixels[0][(height - 2) * 60 * 2],
                     (size_t)(66 - height) * 60 * 2);
    }
}

/* The answer that knobs would choose has a frame in the accent, and it alone. */
static void the_answer_in_focus(void) {
    static uint8_t pixels[120 * 60 * 3];
    struct jl_theme theme = jl_theme_night;
    const struct jl_message_face face = {{0, 0, 120, 60},     &theme,       "Gate 2", "Close it?",
                                         {"Yes", "No", NULL}, JL_GRADE_GOOD};
    struct jl_frame frame;
    theme.accent = JL_RGB(1, 2, 3);
    EXPECT_INT(jl_frame_init(&frame, &jl_rgb888, 120, 60, pixels, sizeof pixels), JL_OK);
    for (uint8_t focus = 0; focus < 2; focus++) {
        int accents[2] = {0};
        jl_message_draw(&frame.target, &(struct jl_message){.face = &face, .focus = focus});
        for (int i = 120 * 45; i < 120 * 56; i++) { /* where the answers are */
            accents[i % 120 / 60] += color_at(&frame, i % 120, i / 120) == theme.accent;
        }
        test_row("focus %d", focus);
        EXPECT(accents[focus] > 20);
        EXPECT_INT(accents[!focus], 0);
    }
}

static void messages_and_pages(void) {
    static const struct jl_message_face face = {
        {0, 0, 120, 60}, &jl_theme_lit, "Gate 2", "Close it?", {"Yes", "No", NULL}, JL_GRADE_WARN};
    struct jl_message message = {.face = &face};
    struct jl_event ok = key(JL_KEY_OK), back = key(JL_KEY_BACK), next = step(1), far = step(9);
    test_row("message");
    EXPECT_INT(jl_message_event(&message, &ok), 0);
    EXPECT_INT(jl_message_event(&message, &next), JL_MESSAGE_NONE);
    EXPECT_INT(jl_message_event(&message, &ok), 1);
    EXPECT_INT(jl_message_event(&message, &far), JL_MESSAGE_NONE);
    EXPECT_INT(message.focus, 1);
    EXPECT_INT(jl_message_event(&message, &back), 1);
    struct jl_event press = at(JL_EVENT_PRESS, 20, 52), tap = at(JL_EVENT_TAP, 20, 52);
    EXPECT_INT(jl_message_event(&message, &press), JL_MESSAGE_NONE);
    EXPECT_INT(jl_message_event(&message, &tap), 0);
    struct jl_event on_text = at(JL_EVENT_PRESS, 20, 25), lifted = at(JL_EVENT_TAP, 20, 52);
    EXPECT_INT(jl_message_event(&message, &on_text), JL_MESSAGE_NONE);
    EXPECT_INT(jl_message_event(&message, &lifted), JL_MESSAGE_NONE);

    static const struct jl_pages_face tabs = {
        {0, 0, 90, 10}, &jl_theme_lit, NULL, 3, {0, 10, 90, 90}};
    static const struct {
        const char *name;
        struct jl_event event;
        int page; /* before: 1 */
    } rows[] = {
        {"tap on the third", {JL_EVENT_TAP, 0, 80, 5, 0, 0}, 2},
        {"tap on the page", {JL_EVENT_TAP, 0, 80, 50, 0, 0}, 1},
        {"flick to the left", {JL_EVENT_FLICK, 0, 50, 50, -600, 100}, 2},
        {"flick to the right", {JL_EVENT_FLICK, 0, 50, 50, 600, -100}, 0},
        {"flick down", {JL_EVENT_FLICK, 0, 50, 50, 300, 600}, 1},
        {"flick on the tabs", {JL_EVENT_FLICK, 0, 50, 5, 600, 0}, 1},
        {"knob without focus", {JL_EVENT_STEP, 0, 0, 0, 1, 0}, 1},
    };
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        struct jl_pages pages = {.face = &tabs, .page = 1};
        test_row("%s", rows[i].name);
        EXPECT_INT(jl_pages_event(&pages, &rows[i].event), rows[i].page != 1);
        EXPECT_INT(pages.page, rows[i].page);
    }
    /* Without titles a dot a page, a third of its tab and two more wide, in the middle of it. */
    static uint8_t pixels[60 * 12 * 3];
    struct jl_theme theme = jl_theme_lit;
    theme.back = JL_BLACK;
    theme.accent = theme.unlit = theme.line = JL_RED;
    const struct jl_pages_face dots = {
        .box = {0, 0, 60, 12}, .theme = &theme, .count = 3, .titles = NULL};
    struct jl_frame frame;
    EXPECT_INT(jl_frame_init(&frame, &jl_rgb888, 60, 12, pixels, sizeof pixels), JL_OK);
    jl_pages_draw(&frame.target, &(struct jl_pages){.face = &dots});
    for (int x = 0; x < 60; x++) {
        bool dot = x % 20 >= 10 - 3 && x % 20 <= 10 + 3;
        test_row("column %d", x);
        EXPECT_INT(color_at(&frame, x, 6), dot ? JL_RED : JL_BLACK);
    }
    /* With titles the frame of the page that is shown tells whether knobs turn it. */
    static const char *const titles[] = {"a", "b", "c"};
    const struct jl_pages_face titled = {
        .box = {0, 0, 60, 12}, .theme = &theme, .count = 3, .titles = titles};
    theme.ink = JL_WHITE;
    for (int focused = 0; focused < 2; focused++) {
        jl_pages_draw(&frame.target,
                      &(struct jl_pages){.face = &titled, .page = 1, .focused = focused});
        for (int tab = 0; tab < 3; tab++) {
            test_row("tab %d, focused %d", tab, focused);
            EXPECT_INT(color_at(&frame, 20 * tab, 0), focused && tab == 1 ? JL_WHITE : JL_RED);
        }
    }
    struct jl_pages pages = {.face = &tabs, .page = 1, .focused = true};
    EXPECT(jl_pages_event(&pages, &far));
    EXPECT_INT(pages.page, 2);
    EXPECT(!jl_pages_event(&pages, &next));
}

/* What a chart shows, against a naive one: the values of each column by hand. */
static void charts(void) {
    static const struct jl_chart_face scrolls = {
        {0, 0, 12, 22}, &jl_theme_lit, {0, 19, NULL, 0}, 0, 2, false, 0, false, 0};
    struct jl_chart_column columns[10];
    struct jl_chart chart = {.face = &scrolls, .columns = columns, .room = 10};
    struct jl_frame frame = frame_in(0, &jl_mono_rows);
    int16_t values[40];
    for (int i = 0; i < 40; i++) {
        values[i] = (int16_t)(i * i * 3 % 23 - 2); /* some off the scale */
        jl_chart_add(&chart, values[i]);
    }
    jl_chart_redraw(&frame.target, &chart);
    for (int x = 0; x < 10; x++) { /* the last ten pairs */
        int low = 99, high = -99, before_low = 99, before_high = -99;
        for (int k = 0; k < 2; k++) {
            int value = values[20 + 2 * x + k], before = values[18 + 2 * x + k];
            low = value < low ? value : low;
            high = value > high ? value : high;
            before_low = before < before_low ? before : before_low;
            before_high = before > before_high ? before : before_high;
        }
        if (x > 0) { /* joined to the one before */
            low = before_high < low ? before_high : low;
            high = before_low > high ? before_low : high;
        }
        low = low < 0 ? 0 : low;
        high = high > 19 ? 19 : high;
        for (int y = 0; y < 20; y++) {
            bool lit = color_at(&frame, 1 + x, 1 + 19 - y) == JL_WHITE;
            test_row("column %d, value %d", x, y);
            EXPECT_INT(lit, y >= low && y <= high);
        }
    }
    jl_chart_empty(&chart);
    jl_chart_redraw(&frame.target, &chart);
    EXPECT_INT(color_at(&frame, 5, 10), JL_BLACK);
    /* Four divisions of 20 rows: three rows of dots, at quarters of 19 from the top. */
    struct jl_chart_face divided = scrolls;
    divided.divisions = 4;
    chart.face = &divided;
    chart.drawn = false;
    jl_chart_redraw(&frame.target, &chart);
    for (int i = 0; i < 10 * 20; i++) {
        int x = i % 10, y = i / 10;
        test_row("dots at %d, %d", x, y);
        EXPECT_INT(color_at(&frame, 1 + x, 1 + y) == JL_WHITE,
                   x % 4 == 0 && (y == 4 || y == 9 || y == 14));
    }
}

const struct test_group test_groups[] = {
    {"redraw_equals_full_drawing", random_sequences},
    {"bands_and_clips", bands_and_clips},
    {"without_a_frame", without_a_frame},
    {"tiny_boxes", tiny_boxes},
    {"misses_hit_nothing", misses_hit_nothing},
    {"bars_and_levels", bars_and_levels},
    {"seven_segments", seven_segments},
    {"dials_and_the_rest", dials_and_the_rest},
    {"buttons_and_boxes", buttons_and_boxes},
    {"sliders", sliders},
    {"a_slider_that_goes_far", a_slider_that_goes_far},
    {"steppers", steppers},
    {"lists", lists},
    {"menus", menus},
    {"messages_and_pages", messages_and_pages},
    {"the_answer_in_focus", the_answer_in_focus},
    {"tracks_of_sliders", tracks_of_sliders},
    {"messages_without_buttons", messages_without_buttons},
    {"charts", charts},
    {NULL, NULL},
};
