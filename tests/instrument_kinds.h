/* Every kind of instrument, made and changed at random, behind one interface. */
#ifndef JADELAMP_TESTS_INSTRUMENT_KINDS_H
#define JADELAMP_TESTS_INSTRUMENT_KINDS_H

#include "harness.h"
#include "jadelamp/jadelamp.h"

union instrument {
    struct jl_bar bar;
    struct jl_button button;
    struct jl_chart chart;
    struct jl_check check;
    struct jl_dial dial;
    struct jl_digits digits;
    struct jl_lamp lamp;
    struct jl_level level;
    struct jl_list list;
    struct jl_menu menu;
    struct jl_message message;
    struct jl_number number;
    struct jl_pages pages;
    struct jl_progress progress;
    struct jl_slider slider;
    struct jl_stepper stepper;
};

/* A face for it; and its theme, which a test may change. */
struct faces {
    struct jl_theme theme;
    struct jl_zone zones[3];
    struct jl_scale scale;
    union {
        struct jl_bar_face bar;
        struct jl_button_face button;
        struct jl_chart_face chart;
        struct jl_check_face check;
        struct jl_dial_face dial;
        struct jl_digits_face digits;
        struct jl_lamp_face lamp;
        struct jl_level_face level;
        struct jl_list_face list;
        struct jl_menu_face menu;
        struct jl_message_face message;
        struct jl_number_face number;
        struct jl_pages_face pages;
        struct jl_progress_face progress;
        struct jl_slider_face slider;
        struct jl_stepper_face stepper;
    };
    struct jl_chart_column columns[64];
};

struct kind {
    const char *name;
    size_t bytes;
    int least_width, least_height;
    void (*make)(union instrument *i, struct faces *faces, struct test_random *random,
                 struct jl_rect box, const struct jl_theme *theme);
    /* A value, or an event within the box or near it. */
    void (*change)(union instrument *i, struct test_random *random, struct jl_rect box);
    void (*draw)(struct jl_target *target, const void *i);
    bool (*redraw)(struct jl_target *target, void *i);
    bool (*event)(void *i, const struct jl_event *event); /* or NULL */
    void (*undraw)(union instrument *i);
};

enum { KINDS = 17, KIND_THEMES = 5 };
extern const struct kind kinds_of_instruments[KINDS];
extern const struct jl_theme *const kind_themes[KIND_THEMES];

#endif
