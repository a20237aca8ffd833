/*
 * The light of a screen: what the eye gets by time, on every way to make it; idle times; the touch
 * that wakes; errors and sleep in between.
 */
#include "harness.h"

#include <math.h>
#include <stdlib.h>

#include "stage.h"

/* A TFT or OLED on the board, awake, with a picture's worth of nothing. */
static void awake(struct stage *s, const char *make) {
    struct wish wish = {.bus = &jl_bus_i2c, .clock_hz = 400000};
    stage_open(s, make_named(make), &wish);
    EXPECT_INT(jl_panel_wake(&s->panel), JL_OK);
    jl_board_wait_ps(s->board, (uint64_t)300000000000);
}

static uint32_t now_ms(const struct stage *s) {
    return (uint32_t)(jl_board_now_ps(s->board) / 1000000000);
}

/* Ticks every 10 ms. */
static void pass(struct stage *s, struct jl_light *light, uint32_t ms) {
    for (uint32_t i = 0; i < ms; i += 10) {
        EXPECT_INT(jl_light_tick(light, now_ms(s)), JL_OK);
        jl_board_wait_ps(s->board, (uint64_t)10000000000);
    }
    EXPECT_INT(jl_light_tick(light, now_ms(s)), JL_OK);
}

/* The brightness that a level must give, of 255, by the standard's formula. */
static int of_level(int level) {
    double lightness = level * 100 / 255.0;
    double light = lightness > 8 ? pow((lightness + 16) / 116, 3) : lightness / 903.3;
    return (int)(light * 255);
}

static void levels_as_the_standard_says(void) {
    static const struct jl_light_config config = {.way = &jl_light_contrast, .full = 0};
    struct stage s;
    struct jl_light light;
    awake(&s, "ssd1327 128x128");
    EXPECT_INT(jl_light_open(&light, &config, &s.panel), JL_OK);
    for (int level = 0; level < 256; level++) {
        jl_light_set(&light, (uint8_t)level);
        EXPECT_INT(jl_light_tick(&light, now_ms(&s)), JL_OK);
        test_row("level %d", level);
        int expected = of_level(level), seen = jl_device_brightness(s.device);
        EXPECT(seen - expected <= 1 && expected - seen <= 1);
    }
    EXPECT_INT(jl_device_brightness(s.device), 255);
    stage_close(&s);
}

/* On every way: faded in, dimmed, off, and woken. */
static void idle_times_on_every_way(void) {
    static const struct {
        const char *name, *make;
        const struct jl_light_way *way;
        bool wired, on_off, sleeps, glows;
    } rows[] = {
        {"contrast", "ssd1327 128x128", &jl_light_contrast, false, false, false, true},
        {"contrast, asleep when off", "ssd1327 128x128", &jl_light_contrast, false, false, true,
         false},
        {"pwm", "ili9341 240x320", &jl_light_pwm, true, false, false, false},
        {"pwm, asleep when off", "ili9341 240x320", &jl_light_pwm, true, false, true, false},
        {"pin", "ili9341 240x320", &jl_light_pin, true, true, false, false},
    };
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        struct jl_light_config config = {.way = rows[i].way,
                                         .full = 255,
                                         .dim = 128,
                                         .sleep_when_off = rows[i].sleeps,
                                         .fade_ms = 510,
                                         .dim_after_ms = 5000,
                                         .off_after_ms = 9000};
        struct wish wish = {.module_change = rows[i].wired ? JL_MODULE_LIGHT_WIRED : 0};
        struct stage s;
        struct jl_light light;
        test_row("%s", rows[i].name);
        stage_open(&s, make_named(rows[i].make), &wish);
        EXPECT_INT(jl_panel_wake(&s.panel), JL_OK);
        jl_board_wait_ps(s.board, (uint64_t)300000000000);
        EXPECT_INT(jl_light_open(&light, &config, &s.panel), JL_OK);
        pass(&s, &light, 250); /* half of the fade */
        int half = jl_device_brightness(s.device);
        EXPECT(rows[i].on_off ? half == 0 : half > of_level(118) && half < of_level(132));
        pass(&s, &light, 300);
        EXPECT_INT(jl_device_brightness(s.device), 255);
        pass(&s, &light, 4300); /* 4.85 s behind the start */
        EXPECT_INT(jl_device_brightness(s.device), 255);
        pass(&s, &light, 1000);
        int dimmed = jl_device_brightness(s.device);
        EXPECT(rows[i].on_off ? dimmed == 0 : abs(dimmed - of_level(128)) <= 1);
        EXPECT(!jl_light_is_off(&light));
        pass(&s, &light, 4000);
        EXPECT(jl_light_is_off(&light));
        EXPECT_INT(jl_device_brightness(s.device), rows[i].glows);
        struct jl_event press = {.kind = JL_EVENT_PRESS};
        EXPECT(!jl_light_event(&light, &press, now_ms(&s)));
        EXPECT(!jl_light_is_off(&light));
        pass(&s, &light, 600);
        EXPECT_INT(jl_device_brightness(s.device), 255);
        stage_expect_content(&s);
        stage_close(&s);
    }
}

/* What woke it is not handed on, up to its end; other fingers and keys are. */
static void touch_that_wakes_is_no_tap(void) {
    enum { P = JL_EVENT_PRESS, T = JL_EVENT_TAP, D = JL_EVENT_DRAG, R = JL_EVENT_RELEASE };
    enum { K = JL_EVENT_KEY, U = JL_EVENT_KEY_UP, S = JL_EVENT_STEP, F = JL_EVENT_FLICK };
    static const struct {
        const char *name;
        struct {
            uint8_t kind, which;
            bool handed_on;
        } events[6];
    } rows[] = {
        {"tap", {{P, 0, false}, {T, 0, false}, {P, 0, true}, {T, 0, true}}},
        {"drag", {{P, 0, false}, {D, 0, false}, {D, 0, false}, {R, 0, false}, {P, 0, true}}},
        {"flick", {{P, 1, false}, {F, 1, false}, {P, 1, true}, {F, 1, true}}},
        {"second finger", {{P, 0, false}, {P, 1, true}, {T, 0, false}, {T, 1, true}}},
        {"key", {{K, 0, false}, {K, 0, false}, {U, 0, false}, {K, 0, true}, {U, 0, true}}},
        {"two keys", {{K, 3, false}, {K, 2, true}, {U, 3, false}, {U, 2, true}}},
        {"knob", {{S, 0, false}, {S, 0, true}, {K, 0, true}}},
        {"the end of a tap alone", {{T, 0, false}, {P, 0, true}}},
    };
    static const struct jl_light_config config = {
        .way = &jl_light_contrast, .full = 200, .off_after_ms = 1000};
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        struct stage s;
        struct jl_light light;
        test_row("%s", rows[i].name);
        awake(&s, "ssd1327 128x128");
        EXPECT_INT(jl_light_open(&light, &config, &s.panel), JL_OK);
        pass(&s, &light, 1010);
        EXPECT(jl_light_is_off(&light));
        for (int k = 0; k < 6 && rows[i].events[k].kind; k++) {
            struct jl_event event = {.kind = rows[i].events[k].kind,
                                     .which = rows[i].events[k].which};
            EXPECT_INT(jl_light_event(&light, &event, now_ms(&s)), rows[i].events[k].handed_on);
        }
        pass(&s, &light, 500); /* dimmed or lit, all is handed on */
        struct jl_event event = {.kind = P};
        EXPECT(jl_light_event(&light, &event, now_ms(&s)));
        EXPECT(jl_light_event(&light, NULL, now_ms(&s)));
        stage_close(&s);
    }
}

/* A bus that fails, a panel that is woken anew, a counter that wraps: the light is right again. */
static void survives_errors_and_wraps(void) {
    static const struct jl_light_config config = {
        .way = &jl_light_contrast, .full = 255, .dim = 100, .dim_after_ms = 1000};
    struct stage s;
    struct jl_light light;
    awake(&s, "ssd1327 128x128");
    EXPECT_INT(jl_light_open(&light, &config, &s.panel), JL_OK);
    pass(&s, &light, 1500);
    jl_i2c_fail_at(s.sim.i2c, 0, true);
    EXPECT(jl_light_event(&light, NULL, now_ms(&s)));
    EXPECT_INT(jl_light_tick(&light, now_ms(&s)), JL_NO_ANSWER);
    EXPECT(jl_light_tick(&light, now_ms(&s)) != JL_OK);
    jl_i2c_heal(s.sim.i2c);
    EXPECT_INT(jl_panel_wake(&s.panel), JL_OK);
    pass(&s, &light, 0);
    jl_board_wait_ps(s.board, (uint64_t)200000000000);
    EXPECT_INT(jl_device_brightness(s.device), 255);

    test_row("off stays off when the counter comes round");
    static const struct jl_light_config off = {
        .way = &jl_light_contrast, .full = 255, .off_after_ms = 1000};
    EXPECT_INT(jl_light_open(&light, &off, &s.panel), JL_OK);
    EXPECT_INT(jl_light_tick(&light, 5000), JL_OK);
    EXPECT_INT(jl_light_tick(&light, 6000), JL_OK);
    EXPECT(jl_light_is_off(&light));
    EXPECT_INT(jl_light_tick(&light, 5100), JL_OK);
    EXPECT(jl_light_is_off(&light));

    test_row("dimmed to nothing, then off: it sleeps all the same, and wakes");
    static const struct jl_light_config dark = {.way = &jl_light_contrast,
                                                .full = 255,
                                                .sleep_when_off = true,
                                                .dim_after_ms = 1000,
                                                .off_after_ms = 2000};
    EXPECT_INT(jl_light_open(&light, &dark, &s.panel), JL_OK);
    for (uint32_t ms = 0; ms <= 2500; ms += 100) {
        EXPECT_INT(jl_light_tick(&light, ms), JL_OK);
        bool asleep = jl_device_why_dark(s.device) != NULL;
        EXPECT_INT(asleep, ms >= 2000);
    }
    EXPECT(jl_light_event(&light, NULL, 2600));
    jl_light_set(&light, 0); /* lit by nothing, but awake */
    EXPECT_INT(jl_light_tick(&light, 2600), JL_OK);
    jl_board_wait_ps(s.board, (uint64_t)300000000000);
    EXPECT(jl_device_why_dark(s.device) == NULL);

    test_row("idle is never brighter");
    EXPECT_INT(jl_light_open(&light, &config, &s.panel), JL_OK);
    jl_light_set(&light, 40);
    EXPECT_INT(jl_light_tick(&light, 0), JL_OK);
    EXPECT_INT(jl_light_tick(&light, 2000), JL_OK);
    EXPECT(abs(jl_device_brightness(s.device) - of_level(40)) <= 1);

    EXPECT_INT(jl_light_open(&light, &config, &s.panel), JL_OK);
    uint32_t start = UINT32_MAX - 500;
    for (uint32_t ms = 0; ms < 1200; ms += 20) {
        EXPECT_INT(jl_light_tick(&light, start + ms), JL_OK);
        test_row("%u ms", (unsigned)ms);
        EXPECT(abs(jl_device_brightness(s.device) - of_level(ms < 1000 ? 255 : 100)) <= 1);
    }
    stage_close(&s);
}

static void refuses_what_cannot_be(void) {
    static const struct jl_light_config no_way = {.full = 1};
    static const struct jl_light_config config = {.way = &jl_light_pwm, .full = 255};
    static const struct jl_light_config by_pin = {.way = &jl_light_pin, .full = 255};
    struct jl_light light;
    struct stage s;
    awake(&s, "ssd1327 128x128");
    EXPECT_INT(jl_light_open(NULL, &config, &s.panel), JL_BAD_ARGUMENT);
    EXPECT_INT(jl_light_open(&light, NULL, &s.panel), JL_BAD_ARGUMENT);
    EXPECT_INT(jl_light_open(&light, &config, NULL), JL_BAD_ARGUMENT);
    EXPECT_INT(jl_light_open(&light, &no_way, &s.panel), JL_BAD_ARGUMENT);
    EXPECT_INT(jl_light_tick(&light, 0), JL_BAD_ARGUMENT);
    EXPECT_INT(jl_light_tick(NULL, 0), JL_BAD_ARGUMENT);
    struct jl_event press = {.kind = JL_EVENT_PRESS};
    EXPECT(jl_light_event(&light, &press, 0)); /* a program without light goes on */
    EXPECT(jl_light_event(NULL, &press, 0));
    jl_light_set(NULL, 1);
    EXPECT(!jl_light_is_off(NULL));
    /* What the wiring lacks is said at each tick. */
    EXPECT_INT(jl_light_open(&light, &by_pin, &s.panel), JL_OK);
    EXPECT_INT(jl_light_tick(&light, 0), JL_UNSUPPORTED);
    struct jl_port_ops bare = *s.port.ops;
    bare.set_duty = NULL;
    s.port.ops = &bare;
    EXPECT_INT(jl_light_open(&light, &config, &s.panel), JL_OK);
    EXPECT_INT(jl_light_tick(&light, 0), JL_BAD_PORT);
    stage_close(&s);
}

const struct test_group test_groups[] = {
    {"levels_as_the_standard_says", levels_as_the_standard_says},
    {"idle_times_on_every_way", idle_times_on_every_way},
    {"touch_that_wakes_is_no_tap", touch_that_wakes_is_no_tap},
    {"survives_errors_and_wraps", survives_errors_and_wraps},
    {"refuses_what_cannot_be", refuses_what_cannot_be},
    {NULL, NULL},
};
