/*
 * Gestures, keys and knobs: from points and levels at times to events; noise and bounces that are
 * no events; and the calibration screen, used by an emulated hand.
 */
#include "harness.h"

#include <stdio.h>
#include <stdlib.h>
#include <string.h>

#include "touch_stage.h"

/* Points as a script: "120 5 7" is finger 0 at (5, 7) at 120 ms, "120 5 7 1 9 9" two of them (the
 * second one with its number), "120 -" none. Between two entries the first one is fed every 10 ms.
 * What comes out is written as text. */
static void play(const char *script, char *out, size_t room) {
    struct jl_gestures gestures = {.settings = &jl_gestures_usual};
    static const char *const names[] = {"none", "press", "drag",    "hold",
                                        "tap",  "flick", "release", "spread"};
    struct jl_touch_point points[2] = {{0, 0, 0, 0}, {0, 0, 0, 0}};
    uint8_t count = 0;
    long now = 0;
    *out = 0;
    for (const char *at = script;;) {
        long until = 0;
        int used = 0;
        struct jl_touch_point next[2] = {{0, 0, 0, 0}, {0, 0, 0, 0}};
        uint8_t next_count = 0;
        if (*at) {
            int x, y, finger, x2, y2;
            int got = sscanf(at, "%ld %d %d %d %d %d", &until, &x, &y, &finger, &x2, &y2);
            next_count = got == 6 ? 2 : got == 3 ? 1 : 0;
            if (next_count) {
                next[0] = (struct jl_touch_point){(int16_t)x, (int16_t)y, 0, 0};
                next[1] = (struct jl_touch_point){(int16_t)x2, (int16_t)y2, (uint8_t)finger, 0};
            }
            used = (int)strcspn(at, ",");
        }
        for (; now < (*at ? until : now + 1); now += 10) {
            struct jl_event events[JL_GESTURE_EVENTS];
            uint8_t n = jl_gestures_feed(&gestures, points, count, (uint32_t)now, events);
            for (uint8_t i = 0; i < n; i++) {
                size_t length = strlen(out);
                snprintf(out + length, room - length, "%s%s%d %d,%d", length ? "; " : "",
                         names[events[i].kind], events[i].which, events[i].x, events[i].y);
                length = strlen(out);
                if (events[i].dx || events[i].dy) {
                    snprintf(out + length, room - length, " by %d,%d", events[i].dx, events[i].dy);
                }
            }
            if (!*at) {
                return;
            }
        }
        memcpy(points, next, sizeof points);
        count = next_count;
        at += used;
        at += *at == ',';
    }
}

static void gestures(void) {
    static const struct {
        const char *name, *script, *events;
    } rows[] = {
        {"tap", "0 50 60, 100 -, 200 -", "press0 50,60; tap0 50,60"},
        {"short tap", "0 50 60, 20 -, 200 -", "press0 50,60; tap0 50,60"},
        {"noise, seen once", "0 50 60, 10 -, 200 -", ""},
        {"bounces on the way down", "0 50 60, 10 -, 20 50 60, 100 -, 200 -",
         "press0 50,60; tap0 50,60"},
        {"lost for two reads only", "0 50 60, 100 -, 120 50 60, 300 -, 400 -",
         "press0 50,60; tap0 50,60"},
        {"two taps", "0 50 60, 100 -, 200 51 60, 300 -, 400 -",
         "press0 50,60; tap0 50,60; press0 51,60; tap0 51,60"},
        {"trembles within the slack", "0 50 60, 50 53 62, 80 48 58, 100 -, 200 -",
         "press0 50,60; tap0 48,58"},
        {"hold", "0 50 60, 900 -, 1000 -", "press0 50,60; hold0 50,60; release0 50,60"},
        {"not yet held", "0 50 60, 600 -, 700 -", "press0 50,60; tap0 50,60"},
        {"drag, stop, leave", "0 50 60, 50 60 60, 70 75 62, 300 -, 400 -",
         "press0 50,60; drag0 60,60 by 10,0; drag0 75,62 by 15,2; release0 75,62"},
        {"hold, then drag: no tap", "0 50 60, 700 80 60, 1000 -, 1100 -",
         "press0 50,60; hold0 50,60; drag0 80,60 by 30,0; release0 80,60"},
        /* 10 pixels in 10 ms: the mean of 0 and 1000, then of 500 and 1000 */
        {"flick", "0 50 60, 50 60 60, 60 70 60, 70 -, 200 -",
         "press0 50,60; drag0 60,60 by 10,0; drag0 70,60 by 10,0; flick0 70,60 by 750,0"},
        {"two fingers", "0 50 60, 50 50 60 1 100 60, 200 40 60 1 130 60, 400 -, 500 -",
         "press0 50,60; press1 100,60; drag0 40,60 by -10,0; drag1 130,60 by 30,0; "
         "spread0 85,60 by 40,0; release0 40,60; release1 130,60"},
        {"two that tap are no taps", "0 50 60, 50 50 60 1 100 60, 100 -, 300 -",
         "press0 50,60; press1 100,60; release0 50,60; release1 100,60"},
        {"closer", "0 0 0 1 100 0, 200 20 0 1 80 0, 400 -, 500 -",
         "press0 0,0; press1 100,0; drag0 20,0 by 20,0; drag1 80,0 by -20,0; "
         "spread0 50,0 by -40,0; release0 20,0; release1 80,0"},
    };
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        char out[400];
        test_row("%s", rows[i].name);
        play(rows[i].script, out, sizeof out);
        EXPECT_TEXT(out, rows[i].events);
    }
}

/* A finger that was there when another page came is nothing to the new page. */
static void dropped(void) {
    struct jl_gestures gestures = {.settings = &jl_gestures_usual};
    struct jl_event events[JL_GESTURE_EVENTS];
    struct jl_touch_point point = {5, 5, 0, 0};
    int seen = 0;
    uint32_t now = UINT32_MAX - 55; /* the counter wraps meanwhile */
    for (int i = 0; i < 30; i++, now += 10) {
        if (i == 8) {
            jl_gestures_drop(&gestures);
        }
        seen += jl_gestures_feed(&gestures, &point, i < 14, now, events);
    }
    EXPECT_INT(seen, 1); /* the press */
    for (int i = 0; i < 30; i++, now += 10) {
        seen += jl_gestures_feed(&gestures, &point, i < 10, now, events);
    }
    EXPECT_INT(seen, 3); /* a tap again */
}

/* Whatever comes: one press, then one end a finger, and never an event of nobody. */
static void random_points(void) {
    struct test_random random = {5};
    struct jl_gestures gestures = {.settings = &jl_gestures_usual};
    bool down[2] = {false, false};
    uint32_t now = 0;
    bool good = true;
    int presses = 0;
    for (int i = 0; i < 200000 && good; i++) {
        struct jl_touch_point points[5];
        struct jl_event events[JL_GESTURE_EVENTS];
        static int16_t x[5], y[5];
        uint8_t count = 0;
        for (int finger = 0; finger < 5; finger++) {
            x[finger] = test_random_coordinate(&random, 300);
            y[finger] = (int16_t)(y[finger] + test_random_between(&random, -4, 4));
            if (test_random_between(&random, 0, 5 + finger * 4) < 4) {
                points[count++] = (struct jl_touch_point){
                    test_random_between(&random, 0, 9) ? (int16_t)100 : x[finger], y[finger],
                    (uint8_t)finger, 0};
            }
        }
        uint8_t n = jl_gestures_feed(&gestures, points, count, now, events);
        good = n <= JL_GESTURE_EVENTS;
        for (uint8_t k = 0; k < n && good; k++) {
            const struct jl_event *e = &events[k];
            if (e->kind == JL_EVENT_PRESS) {
                good = e->which < 2 && !down[e->which];
                down[e->which] = true;
                presses++;
            } else {
                good = e->which < 2 && (down[e->which] || e->kind == JL_EVENT_SPREAD);
                down[e->which] = down[e->which] && !jl_event_is_end(e);
            }
        }
        now += (uint32_t)test_random_between(&random, 0, 40);
    }
    EXPECT(good);
    EXPECT(presses > 1000);
}

/* Levels at times: a digit for each millisecond, '1' down. */
static void keys(void) {
    struct jl_key key = {.key = JL_KEY_DOWN};
    struct jl_event event;
    char out[200] = "";
    for (uint32_t ms = 0; ms < 1400; ms++) {
        /* Bounces until 10 ms behind each edge; held from 100 to 900; spikes of 15 ms before. */
        bool down = (ms >= 100 && ms < 900) || (ms >= 50 && ms < 65);
        if ((ms >= 100 && ms < 110) || (ms >= 900 && ms < 910)) {
            down = ms & 1;
        }
        if (jl_key_feed(&key, down, ms + UINT32_MAX - 500, &event)) {
            size_t length = strlen(out);
            snprintf(out + length, sizeof out - length, "%s%s%d@%u", length ? " " : "",
                     event.kind == JL_EVENT_KEY ? "key" : "up", event.dx, (unsigned)ms);
            EXPECT_INT(event.which, JL_KEY_DOWN);
        }
    }
    /* stable from 109 on (the last odd one), so down at 129; held 500 ms, then every 150 */
    EXPECT_TEXT(out, "key0@129 key1@629 key2@779 up0@930");
}

/* Knobs of four, two and one change a detent; turned, to and fro, and with bounces. */
static void knobs(void) {
    static const struct {
        const char *name;
        int quarters;
        const char *contacts; /* A in bit 0, B in bit 1 */
        int steps;
    } rows[] = {
        {"a detent", 4, "01320", 1},
        {"and back", 4, "0132023102310", -1},
        {"two", 4, "013201320", 2},
        {"the other way", 4, "02310", -1},
        {"not there yet", 4, "0132", 0},
        {"bounces", 4, "010101313132320202020", 1},
        {"a glitch of both", 4, "030303", 0},
        {"two a detent", 2, "01320", 2},
        {"one a detent", 1, "01320", 4},
        {"starts anywhere", 4, "32013", 1},
        {"three quarters from where it stood", 4, "1320", 0},
        {"0 counts as 4", 0, "01320", 1},
    };
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        struct jl_knob knob = {.quarters = (uint8_t)rows[i].quarters};
        int steps = 0;
        test_row("%s", rows[i].name);
        for (const char *c = rows[i].contacts; *c; c++) {
            struct jl_event event;
            if (jl_knob_feed(&knob, (*c - '0') & 1, (*c - '0') & 2, &event)) {
                EXPECT_INT(event.kind, JL_EVENT_STEP);
                steps += event.dx;
            }
        }
        EXPECT_INT(steps, rows[i].steps);
    }
}

/* An emulated hand on keys and knobs. */
static void hands(void) {
    const uint64_t ms = 1000000000;
    const struct jl_hand_step steps[] = {
        {100 * ms, JL_HAND_KEY_DOWN, 1, 0, 0}, {180 * ms, JL_HAND_KEY_UP, 1, 0, 0},
        {300 * ms, JL_HAND_TURN, 0, 3, 0},     {500 * ms, JL_HAND_TURN, 0, -5, 0},
        {600 * ms, JL_HAND_TURN, 1, 1, 0},
    };
    struct jl_key keys_of[2] = {{.key = JL_KEY_OK}, {.key = JL_KEY_BACK}};
    struct jl_knob knob = {.quarters = 4};
    int presses[2] = {0, 0}, turned_by_400 = 0, turned = 0;
    for (uint64_t at = 0; at < 700 * ms; at += ms) {
        struct jl_event event;
        for (int k = 0; k < 2; k++) {
            presses[k] += jl_key_feed(&keys_of[k], jl_hand_key(steps, 5, k, at),
                                      (uint32_t)(at / ms), &event) &&
                          event.kind == JL_EVENT_KEY;
        }
        unsigned contacts = jl_hand_knob(steps, 5, 0, at);
        if (jl_knob_feed(&knob, contacts & 1, contacts & 2, &event)) {
            turned += event.dx;
        }
        turned_by_400 = at == 400 * ms ? turned : turned_by_400;
    }
    EXPECT_INT(presses[0], 0);
    EXPECT_INT(presses[1], 1);
    EXPECT_INT(turned_by_400, 3);
    EXPECT_INT(turned, -2);
}

/* ---- the calibration screen ---- */

/* The cross on a frame: a lit row and column of 19 pixels. False: none. */
static bool find_cross(const uint8_t *pixels, int *x, int *y) {
    enum { ARM = 9, ROW = TOUCH_WIDTH / 8 };
    for (*y = ARM; *y < TOUCH_HEIGHT - ARM; ++*y) {
        for (*x = ARM; *x < TOUCH_WIDTH - ARM; ++*x) {
            bool whole = true;
            for (int i = -ARM; i <= ARM && whole; i++) {
                int across = *x + i, down = *y + i;
                whole = (pixels[*y * ROW + across / 8] << across % 8 & 0x80) &&
                        (pixels[down * ROW + *x / 8] << *x % 8 & 0x80);
            }
            if (whole) {
                return true;
            }
        }
    }
    return false;
}

/* How a person touches the crosses. */
enum manner { RIGHT, FIRST_FAR_OFF, ALL_OFF, BRUSHES, SLIDES };

static int off_by(enum manner manner, int touch, int places) {
    if (manner == ALL_OFF && touch % places < 4) { /* to the left and right in turn: no map fits */
        return touch % places % 2 ? -5 : 5;
    }
    return manner == FIRST_FAR_OFF && touch % places == 0 ? 40 : 0;
}

/* A person touches each cross that shows. */
static jl_status use_screen(struct touch_stage *s, int places, uint8_t turn, enum manner manner,
                            struct jl_calibration *screen, int *touches) {
    static uint8_t pixels[JL_MONO_ROWS_BYTES(TOUCH_WIDTH, TOUCH_HEIGHT)];
    struct jl_text_style style = {.font = &jl_font_6x8, .ink = JL_WHITE, .paper = JL_BLACK};
    struct jl_frame frame;
    EXPECT_INT(
        jl_frame_init(&frame, &jl_mono_rows, TOUCH_WIDTH, TOUCH_HEIGHT, pixels, sizeof pixels),
        JL_OK);
    jl_target_turn(&frame.target, turn);
    EXPECT_INT(jl_touch_turn(&s->touch, turn), JL_OK);
    EXPECT_INT(jl_calibration_begin(screen, &s->touch, &style, (uint8_t)places), JL_OK);
    *touches = 0;
    uint32_t now = 0;
    for (; jl_calibration_run(screen, &frame.target, now) && now < 60000; now += 10) {
        int x, y;
        pixels[0] |= now == 0 ? 0x80 : 0;        /* a corner that is no part of what is redrawn */
        bool there = find_cross(pixels, &x, &y); /* as it lies on the glass */
        if (now % 500 == 0 && there) {
            jl_touch_press(s->device, 0, x + off_by(manner, *touches, places), y);
            ++*touches;
        } else if (now % 500 == 400 && there && (manner == BRUSHES || manner == SLIDES)) {
            jl_touch_press(s->device, 0, 120, 60); /* for less than it takes */
        } else if (now % 500 == 450 && manner == BRUSHES) {
            jl_touch_lift(s->device, 0);
        } else if (now % 500 == 300) {
            jl_touch_lift(s->device, 0);
        }
        jl_board_wait_ps(s->board, (uint64_t)10000000000);
    }
    EXPECT(now < 60000);
    EXPECT_INT(pixels[0] & 0x80, 0x80);
    jl_touch_lift(s->device, 0);
    return screen->status;
}

static void calibration_screen(void) {
    for (int places = 3; places <= 5; places += 2) {
        for (uint8_t turn = 0; turn < 8; turn++) {
            struct touch_stage s;
            struct jl_calibration screen;
            struct jl_touch_point points[JL_TOUCH_POINTS];
            int touches;
            test_row("%d places, turn %d", places, turn);
            touch_stage_open(&s, &touch_makes[TOUCH_PARTS - 1], (uint8_t)(turn ^ 5));
            struct jl_touch_flaws flaws = {
                .turn = (uint8_t)(turn ^ 5), .noise = 6, .bounce_us = 3000};
            jl_touch_set_flaws(s.device, &flaws);
            EXPECT_INT(use_screen(&s, places, turn, RIGHT, &screen, &touches), JL_OK);
            EXPECT_INT(touches, places);
            EXPECT_INT(jl_touch_use_map(&s.touch, &screen.map), JL_OK);
            /* It holds for the upright glass, so for all turns. */
            EXPECT_INT(jl_touch_turn(&s.touch, 0), JL_OK);
            jl_touch_press(s.device, 0, 30, 290);
            jl_board_wait_ps(s.board, (uint64_t)10000000000);
            if (EXPECT_INT(touch_stage_look(&s, points), 1)) {
                EXPECT(abs(points[0].x - 30) <= 2 && abs(points[0].y - 290) <= 2);
            }
            jl_board_destroy(s.board);
        }
    }
}

/* A cross that was missed by far: asked for again, and given up in the end. */
static void calibration_fails(void) {
    struct touch_stage s;
    struct jl_calibration screen;
    struct jl_text_style style = {.font = &jl_font_6x8, .ink = JL_WHITE};
    int touches;
    touch_stage_open(&s, &touch_makes[TOUCH_PARTS - 1], 0);
    EXPECT_INT(use_screen(&s, 5, 0, FIRST_FAR_OFF, &screen, &touches), JL_OUT_OF_RANGE);
    EXPECT_INT(touches, 15);
    EXPECT(screen.residuals.most > 6 * 16);
    EXPECT_INT(use_screen(&s, 5, 0, ALL_OFF, &screen, &touches), JL_OUT_OF_RANGE);
    EXPECT(screen.residuals.most < 6 * 16 && screen.residuals.mean > 3 * 16);
    EXPECT_INT(use_screen(&s, 5, 0, BRUSHES, &screen, &touches), JL_OK);
    EXPECT_INT(touches, 5);
    EXPECT_INT(use_screen(&s, 5, 0, SLIDES, &screen, &touches), JL_OK);
    EXPECT_INT(touches, 5);
    struct jl_touch_map none = {0};
    EXPECT_INT(jl_touch_use_map(&s.touch, &none), JL_BAD_ARGUMENT);
    EXPECT_INT(jl_calibration_begin(&screen, &s.touch, &style, 4), JL_BAD_ARGUMENT);
    EXPECT(!jl_calibration_run(&screen, NULL, 0));
    EXPECT_INT(jl_calibration_begin(&screen, NULL, &style, 3), JL_BAD_ARGUMENT);
    EXPECT_INT(jl_calibration_begin(&screen, &s.touch, NULL, 3), JL_BAD_ARGUMENT);
    EXPECT_INT(jl_calibration_begin(NULL, &s.touch, &style, 3), JL_BAD_ARGUMENT);
    jl_board_destroy(s.board);
}

const struct test_group test_groups[] = {
    {"gestures", gestures},
    {"dropped", dropped},
    {"random_points", random_points},
    {"keys", keys},
    {"knobs", knobs},
    {"hands", hands},
    {"calibration_screen", calibration_screen},
    {"calibration_fails", calibration_fails},
    {NULL, NULL},
};
