/*
 * What instruments send when their value changes, on a 240x240 panel on SPI: bytes on the bus, the
 * pixels' share of a frame, and wire time. The worst of many steps counts, and their mean.
 */
#include <stdio.h>
#include <stdlib.h>

#include "jadelamp/host/rig.h"
#include "jadelamp/instruments.h"

enum { SIDE = 240, FRAME_BYTES = 2 * SIDE * SIDE };

static void must(bool good, const char *what) {
    if (!good) {
        fprintf(stderr, "bench: %s\n", what);
        exit(1);
    }
}

static struct jl_rig rig;

/* Bytes on the bus for what was drawn. */
static unsigned long send(void) {
    uint64_t before = jl_rig_bus_bytes(&rig);
    must(jl_panel_present(&rig.panel, &rig.frame) == JL_OK, "present");
    return (unsigned long)(jl_rig_bus_bytes(&rig) - before);
}

struct tally {
    unsigned long most, sum, count;
};

static void count(struct tally *tally) {
    unsigned long bytes = send();
    tally->most = bytes > tally->most ? bytes : tally->most;
    tally->sum += bytes;
    tally->count++;
}

static void report(const char *what, const struct tally *tally) {
    double mean = (double)tally->sum / (double)tally->count;
    printf("  %-34s %7.0f %7lu  %5.1f %% %8.2f ms\n", what, mean, tally->most,
           100.0 * (double)tally->most / FRAME_BYTES,
           (double)tally->most * 8e3 / rig.card.clock_hz);
}

static void dial(const char *what, struct jl_rect box, int32_t step) {
    const struct jl_dial_face face = {.box = box,
                                      .theme = &jl_theme_night,
                                      .scale = {0, 360, NULL, 0},
                                      .sweep = JL_SWEEP(360),
                                      .major = 12,
                                      .minor = 3,
                                      .numbers = true};
    struct jl_dial dial = {.face = &face};
    struct tally tally = {0};
    jl_dial_redraw(&rig.frame.target, &dial);
    send();
    for (dial.value = step; dial.value <= 360; dial.value += step) {
        jl_dial_redraw(&rig.frame.target, &dial);
        count(&tally);
    }
    report(what, &tally);
}

static void chart(const char *what, bool sweeps) {
    static struct jl_chart_column columns[SIDE];
    const struct jl_chart_face face = {.box = {0, 40, SIDE, 120},
                                       .theme = &jl_theme_night,
                                       .scale = {0, 500, NULL, 0},
                                       .divisions = 4,
                                       .sweeps = sweeps,
                                       .gap = 8,
                                       .number = true,
                                       .decimals = 2};
    struct jl_chart chart = {.face = &face, .columns = columns, .room = SIDE};
    struct tally tally = {0};
    for (int n = 0; n < 3 * SIDE; n++) {
        jl_chart_add(&chart, (int16_t)(250 + jl_sine((jl_direction)(n * 900)) / 100 +
                                       jl_sine((jl_direction)(n * 5200)) / 500));
        jl_chart_redraw(&rig.frame.target, &chart);
        if (n < SIDE) {
            send(); /* until it is full */
        } else {
            count(&tally);
        }
    }
    report(what, &tally);
    if (sweeps) { /* against the column, the one that becomes empty, and the digits: all of them */
        unsigned long column = 2 * 118, digits = 2 * 4 * 8 * 15;
        double mean = (double)tally.sum / (double)tally.count;
        printf("    of its column and digits (%lu): %.2f in the mean, %.2f at most\n",
               column + digits, mean / (double)(column + digits),
               (double)tally.most / (double)(column + digits));
    }
}

static void slider(void) {
    static const struct jl_slider_face face = {
        {10, 20, 220, 32}, &jl_theme_night, {0, 100, NULL, 0}, 1};
    struct jl_slider slider = {.face = &face};
    struct tally tally = {0};
    jl_slider_redraw(&rig.frame.target, &slider);
    send();
    for (slider.value = 1; slider.value <= 100; slider.value++) {
        jl_slider_redraw(&rig.frame.target, &slider);
        count(&tally);
    }
    report("slider 220x32, by a hundredth", &tally);
}

static void number(const char *what, bool large) {
    const struct jl_number_face face = {
        {10, 20, 160, 50}, &jl_theme_night, "Tide", "m", 2, large, NULL};
    struct jl_number number = {.face = &face, .value = 100};
    struct tally tally = {0};
    jl_number_redraw(&rig.frame.target, &number);
    send();
    for (number.value = 101; number.value < 300; number.value++) {
        jl_number_redraw(&rig.frame.target, &number);
        count(&tally);
    }
    report(what, &tally);
}

static void digits(void) {
    static const struct jl_digits_face face = {{10, 20, 160, 60}, &jl_theme_night, 4, 2};
    struct jl_digits digits = {.face = &face};
    struct tally tally = {0};
    jl_digits_redraw(&rig.frame.target, &digits);
    send();
    for (digits.value = 1; digits.value < 200; digits.value++) {
        jl_digits_redraw(&rig.frame.target, &digits);
        count(&tally);
    }
    report("four digits 160x60, by one", &tally);
}

static void bar(void) {
    static const struct jl_bar_face face = {
        {10, 20, 30, 200}, &jl_theme_night, {0, 200, NULL, 0}, 5};
    struct jl_bar bar = {.face = &face};
    struct tally tally = {0};
    jl_bar_redraw(&rig.frame.target, &bar);
    send();
    for (bar.value = 1; bar.value <= 200; bar.value++) {
        jl_bar_redraw(&rig.frame.target, &bar);
        count(&tally);
    }
    report("bar 30x200, by a two-hundredth", &tally);
}

static void level(void) {
    static const struct jl_level_face face = {
        {10, 20, 220, 24}, &jl_theme_night, {0, 40, NULL, 0}, 20};
    struct jl_level level = {.face = &face};
    struct tally tally = {0};
    jl_level_redraw(&rig.frame.target, &level);
    send();
    for (int32_t value = 2; value <= 40; value += 2) {
        jl_level_set(&level, value);
        jl_level_redraw(&rig.frame.target, &level);
        count(&tally);
    }
    report("level of 20 segments, by one", &tally);
}

static void list(void) {
    static const char *const items[] = {"Tide",  "Wind",   "Upper gate", "Lower gate",
                                        "Lamps", "Barges", "Notices",    "About"};
    static const struct jl_list_face face = {{10, 20, 200, 180}, &jl_theme_night};
    struct jl_list list = {.face = &face, .items = items, .count = 8};
    struct jl_event next = {.kind = JL_EVENT_STEP, .dx = 1};
    struct tally tally = {0};
    jl_list_redraw(&rig.frame.target, &list);
    send();
    for (int i = 0; i < 7; i++) {
        jl_list_event(&list, &next);
        jl_list_redraw(&rig.frame.target, &list);
        count(&tally);
    }
    report("list 200x180, the next row", &tally);
}

static void button(void) {
    static const struct jl_button_face face = {{10, 20, 90, 36}, &jl_theme_night, "Open"};
    struct jl_button button = {.face = &face};
    struct jl_event press = {.kind = JL_EVENT_PRESS, .x = 30, .y = 30};
    struct tally tally = {0};
    jl_button_redraw(&rig.frame.target, &button);
    send();
    jl_button_event(&button, &press);
    jl_button_redraw(&rig.frame.target, &button);
    count(&tally);
    report("button 90x36, pressed", &tally);
}

static void progress(void) {
    static const struct jl_progress_face face = {{10, 20, 220, 26}, &jl_theme_night};
    struct jl_progress progress = {.face = &face, .all = 100};
    struct tally tally = {0};
    jl_progress_redraw(&rig.frame.target, &progress);
    send();
    for (progress.done = 1; progress.done <= 100; progress.done++) {
        jl_progress_redraw(&rig.frame.target, &progress);
        count(&tally);
    }
    report("progress 220x26, by a percent", &tally);
}

int main(void) {
    static struct jl_card card;
    struct jl_complaint complaint = {""};
    must(jl_card_find("st7789-240x240-spi", &card, &complaint), complaint.text);
    must(jl_rig_open(&rig, &card, &complaint), complaint.text);
    must(jl_panel_wake(&rig.panel) == JL_OK, "wake");
    printf("Instruments on %s (a frame is %d bytes), as their value changes:\n"
           "                                     bytes: mean  most  of a frame  wire, most\n",
           card.name, FRAME_BYTES);
    dial("dial 240x240, by a degree", (struct jl_rect){0, 0, SIDE, SIDE}, 1);
    dial("dial 240x240, by 30 degrees", (struct jl_rect){0, 0, SIDE, SIDE}, 30);
    dial("dial 120x120, by a degree", (struct jl_rect){0, 0, 120, 120}, 1);
    chart("chart 240x120, sweeping", true);
    chart("chart 240x120, scrolling", false);
    slider();
    number("number 8x13, by one", false);
    number("number of 28 pixels, by one", true);
    digits();
    bar();
    level();
    list();
    button();
    progress();
    jl_rig_close(&rig);
    return 0;
}
