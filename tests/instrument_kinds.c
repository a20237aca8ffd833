/* Every kind of instrument, made and changed at random. */
#include "instrument_kinds.h"

#include <string.h>

/* A user's own, with other fonts. */
static const struct jl_theme own_theme = {.back = JL_NAVY,
                                          .face = JL_BLACK,
                                          .ink = JL_YELLOW,
                                          .line = JL_GRAY,
                                          .unlit = JL_MAROON,
                                          .accent = JL_AQUA,
                                          .good = JL_LIME,
                                          .warn = JL_ORANGE,
                                          .alarm = JL_RED,
                                          .font = &jl_font_5x7,
                                          .large = &jl_font_8x13};
const struct jl_theme *const kind_themes[KIND_THEMES] = {
    &jl_theme_night, &jl_theme_day, &jl_theme_lit, &jl_theme_paper, &own_theme};

static int between(struct test_random *random, int least, int most) {
    return test_random_between(random, least, most);
}

/* Mostly on the scale, sometimes far off. */
static int32_t value_near(struct test_random *random, const struct jl_scale *scale,
                          int32_t before) {
    switch (between(random, 0, 5)) {
    case 0:
        return between(random, 0, 1) ? INT32_MAX : INT32_MIN;
    case 1:
        return before;
    case 2:
        return before < INT32_MAX - 3 && before > INT32_MIN + 3 ? before + between(random, -2, 2)
                                                                : 0;
    default:
        return scale->from + between(random, 0, scale->to - scale->from);
    }
}

static struct jl_event event_in(struct test_random *random, struct jl_rect box) {
    struct jl_event event = {
        .kind = (uint8_t)between(random, JL_EVENT_PRESS, JL_EVENT_KEY_UP),
        .which = (uint8_t)between(random, 0, 3),
        .x = (int16_t)between(random, box.x - 5, box.x + box.w + 5),
        .y = (int16_t)between(random, box.y - 5, box.y + box.h + 5),
        .dx = (int16_t)between(random, -3, 3),
        .dy = (int16_t)between(random, -30, 30),
    };
    if (event.kind < JL_EVENT_STEP) {
        event.which &= 1;
    }
    return event;
}

/* Theme, scale and zones. */
static void prepare(union instrument *i, struct faces *f, struct test_random *random,
                    const struct jl_theme *theme) {
    memset(i, 0, sizeof *i);
    memset(f, 0, sizeof *f);
    f->theme = *theme;
    f->scale.from = between(random, -2000, 100);
    f->scale.to = f->scale.from + between(random, 1, 4000);
    f->scale.zone_count = (uint8_t)between(random, 0, 3);
    f->scale.zones = f->zones;
    int32_t third = (f->scale.to - f->scale.from) / 3;
    for (int k = 0; k < 3; k++) {
        f->zones[k] = (struct jl_zone){f->scale.from + third * (k + 1), (uint8_t)k};
    }
}

/* What all kinds have: drawing by one type, and a way to say that nothing is drawn. */
#define COMMON(name)                                                                               \
    static void name##_draw(struct jl_target *target, const void *i) {                             \
        jl_##name##_draw(target, i);                                                               \
    }                                                                                              \
    static bool name##_redraw(struct jl_target *target, void *i) {                                 \
        return jl_##name##_redraw(target, i);                                                      \
    }                                                                                              \
    static void name##_undraw(union instrument *i) {                                               \
        i->name.drawn = false;                                                                     \
    }
#define MAKE(name)                                                                                 \
    static void name##_make(union instrument *i, struct faces *f, struct test_random *random,      \
                            struct jl_rect box, const struct jl_theme *theme)
#define CHANGE(name)                                                                               \
    static void name##_change(union instrument *i, struct test_random *random, struct jl_rect box)
#define START(name)                                                                                \
    prepare(i, f, random, theme);                                                                  \
    f->name.box = box;                                                                             \
    f->name.theme = &f->theme;                                                                     \
    i->name.face = &f->name

COMMON(bar)
MAKE(bar) {
    START(bar);
    f->bar.scale = f->scale;
    f->bar.divisions = (uint8_t)between(random, 0, 6);
}
CHANGE(bar) {
    (void)box;
    i->bar.value = value_near(random, &i->bar.face->scale, i->bar.value);
}

COMMON(button)
static bool button_event(void *i, const struct jl_event *event) {
    return jl_button_event(i, event);
}
MAKE(button) {
    START(button);
    f->button.label = between(random, 0, 3) ? "Open gate" : NULL;
}
CHANGE(button) {
    struct jl_event event = event_in(random, box);
    i->button.focused ^= between(random, 0, 3) == 0;
    i->button.disabled ^= between(random, 0, 6) == 0;
    jl_button_event(&i->button, &event);
}

COMMON(chart)
MAKE(chart) {
    START(chart);
    f->chart.scale = f->scale;
    f->chart.divisions = (uint8_t)between(random, 0, 5);
    f->chart.values = (uint16_t)between(random, 0, 3);
    f->chart.sweeps = between(random, 0, 3);
    f->chart.gap = (uint8_t)between(random, 0, 6);
    f->chart.number = between(random, 0, 1);
    f->chart.decimals = (uint8_t)between(random, 0, 2);
    i->chart.columns = f->columns;
    i->chart.room = (uint16_t)between(random, 2, 64);
}
CHANGE(chart) {
    (void)box;
    const struct jl_scale *scale = &i->chart.face->scale;
    if (between(random, 0, 60) == 0) {
        jl_chart_empty(&i->chart);
    }
    for (int k = between(random, 0, between(random, 0, 9) ? 4 : 90); k > 0; k--) {
        jl_chart_add(&i->chart,
                     (int16_t)(scale->from + between(random, -20, scale->to - scale->from + 20)));
    }
}

COMMON(check)
static bool check_event(void *i, const struct jl_event *event) {
    return jl_check_event(i, event);
}
MAKE(check) {
    START(check);
    f->check.label = between(random, 0, 3) ? "Lamps lit" : NULL;
}
CHANGE(check) {
    struct jl_event event = event_in(random, box);
    i->check.focused ^= between(random, 0, 3) == 0;
    jl_check_event(&i->check, &event);
}

COMMON(dial)
MAKE(dial) {
    START(dial);
    f->dial.scale = f->scale;
    f->dial.start = (jl_direction)between(random, 0, 65535);
    f->dial.sweep = (uint32_t)between(random, 1, 65536);
    f->dial.major = (uint8_t)between(random, 0, 8);
    f->dial.minor = (uint8_t)between(random, 0, 5);
    f->dial.numbers = between(random, 0, 1);
    f->dial.label = between(random, 0, 1) ? "knots" : NULL;
}
CHANGE(dial) {
    (void)box;
    i->dial.value = value_near(random, &i->dial.face->scale, i->dial.value);
}

COMMON(digits)
MAKE(digits) {
    START(digits);
    f->digits.places = (uint8_t)between(random, 1, 12);
    f->digits.decimals = (uint8_t)between(random, 0, 3);
}
CHANGE(digits) {
    (void)box;
    static const struct jl_scale scale = {-1000, 3000, NULL, 0};
    i->digits.value = value_near(random, &scale, i->digits.value);
}

COMMON(lamp)
MAKE(lamp) {
    START(lamp);
    f->lamp.label = between(random, 0, 3) ? "Pump" : NULL;
    f->lamp.grade = (uint8_t)between(random, 0, 2);
}
CHANGE(lamp) {
    (void)box;
    i->lamp.on ^= between(random, 0, 1);
}

COMMON(level)
MAKE(level) {
    START(level);
    f->level.scale = f->scale;
    f->level.segments = (uint8_t)between(random, 1, 30);
}
CHANGE(level) {
    (void)box;
    jl_level_set(&i->level, value_near(random, &i->level.face->scale, i->level.value));
    if (between(random, 0, 4) == 0) {
        i->level.peak = i->level.value;
    }
}

static const char *const items[] = {"Tide",       "Wind",       "Upper gate", "Lower gate, inner",
                                    "Lamp north", "Lamp south", "About"};
COMMON(list)
static bool list_event(void *i, const struct jl_event *event) {
    return jl_list_event(i, event);
}
MAKE(list) {
    START(list);
    i->list.items = items;
    i->list.count = (int16_t)between(random, 0, 7);
}
CHANGE(list) {
    struct jl_event event = event_in(random, box);
    jl_list_event(&i->list, &event);
    if (between(random, 0, 9) == 0) {
        jl_list_select(&i->list, (int16_t)between(random, -2, 9));
    }
}

static const struct jl_menu_entry gate_entries[] = {
    {"Open", NULL, 1}, {"Close", NULL, 2}, {"Half way", NULL, 3}};
static const struct jl_menu_page gates = {"Gates", gate_entries, 3};
static const struct jl_menu_entry top_entries[] = {{"Gates", &gates, 0},
                                                   {"Lamp north", NULL, 4},
                                                   {"Lamp south", NULL, 5},
                                                   {"Gates again", &gates, 0},
                                                   {"About", NULL, 6}};
static const struct jl_menu_page top = {"Lock 3", top_entries, 5};
COMMON(menu)
static bool menu_event(void *i, const struct jl_event *event) {
    return jl_menu_event(i, event) != JL_MENU_NONE;
}
MAKE(menu) {
    START(menu);
    i->menu.pages[0] = &top;
}
CHANGE(menu) {
    struct jl_event event = event_in(random, box);
    jl_menu_event(&i->menu, &event);
}

COMMON(message)
static bool message_event(void *i, const struct jl_event *event) {
    return jl_message_event(i, event) != JL_MESSAGE_NONE;
}
MAKE(message) {
    START(message);
    f->message.title = between(random, 0, 2) ? "Storm" : NULL;
    f->message.text = "Gate 2 does not close. Try again?";
    f->message.grade = (uint8_t)between(random, 0, 2);
    for (int k = between(random, 0, 3); k > 0; k--) {
        f->message.buttons[k - 1] = items[k];
    }
}
CHANGE(message) {
    struct jl_event event = event_in(random, box);
    jl_message_event(&i->message, &event);
}

COMMON(number)
MAKE(number) {
    START(number);
    f->number.label = between(random, 0, 1) ? "Tide" : NULL;
    f->number.unit = between(random, 0, 1) ? "cm" : NULL;
    f->number.decimals = (uint8_t)between(random, 0, 3);
    f->number.is_large = between(random, 0, 1);
    f->number.scale = between(random, 0, 2) ? NULL : &f->scale;
}
CHANGE(number) {
    (void)box;
    static const struct jl_scale scale = {-1200, 1200, NULL, 0};
    i->number.value = value_near(random, &scale, i->number.value);
}

static const char *const titles[] = {"Tide", "Wind", "Gates"};
COMMON(pages)
static bool pages_event(void *i, const struct jl_event *event) {
    return jl_pages_event(i, event);
}
MAKE(pages) {
    START(pages);
    f->pages.count = 3;
    f->pages.titles = between(random, 0, 1) ? titles : NULL;
    f->pages.flick = box;
}
CHANGE(pages) {
    struct jl_event event = event_in(random, box);
    i->pages.focused ^= between(random, 0, 4) == 0;
    jl_pages_event(&i->pages, &event);
}

COMMON(progress)
MAKE(progress) {
    START(progress);
    i->progress.all = between(random, 0, 100000);
}
CHANGE(progress) {
    (void)box;
    i->progress.done = between(random, 0, i->progress.all);
}

COMMON(slider)
static bool slider_event(void *i, const struct jl_event *event) {
    return jl_slider_event(i, event);
}
MAKE(slider) {
    START(slider);
    f->slider.scale = f->scale;
    f->slider.step = between(random, 0, 40);
}
CHANGE(slider) {
    struct jl_event event = event_in(random, box);
    i->slider.focused ^= between(random, 0, 4) == 0;
    jl_slider_event(&i->slider, &event);
}

COMMON(stepper)
static bool stepper_event(void *i, const struct jl_event *event) {
    return jl_stepper_event(i, event);
}
MAKE(stepper) {
    START(stepper);
    f->stepper.scale = f->scale;
    f->stepper.step = between(random, 0, 40);
    f->stepper.unit = between(random, 0, 1) ? "cm" : NULL;
    f->stepper.decimals = (uint8_t)between(random, 0, 2);
}
CHANGE(stepper) {
    struct jl_event event = event_in(random, box);
    i->stepper.focused ^= between(random, 0, 4) == 0;
    jl_stepper_event(&i->stepper, &event);
}

/* A dial that all round counts degrees, as a compass does: its own row. */
MAKE(compass) {
    dial_make(i, f, random, box, theme);
    f->dial.scale = (struct jl_scale){0, 360, NULL, 0};
    f->dial.start = 0;
    f->dial.sweep = JL_SWEEP(360);
    f->dial.major = 4;
    f->dial.numbers = true;
}
CHANGE(compass) {
    (void)box;
    i->dial.value = (i->dial.value + between(random, -3, 3) + 360) % 360;
}

#define KIND(name, width, height, event_call)                                                      \
    {                                                                                              \
#name, sizeof(struct jl_##name), width, height, name##_make, name##_change, name##_draw,   \
            name##_redraw, event_call, name##_undraw                                               \
    }
const struct kind kinds_of_instruments[KINDS] = {
    KIND(bar, 8, 8, NULL),
    KIND(button, 10, 10, button_event),
    KIND(chart, 10, 10, NULL),
    KIND(check, 10, 10, check_event),
    KIND(dial, 24, 24, NULL),
    KIND(digits, 12, 12, NULL),
    KIND(lamp, 10, 10, NULL),
    KIND(level, 6, 6, NULL),
    KIND(list, 30, 20, list_event),
    KIND(menu, 40, 30, menu_event),
    KIND(message, 60, 50, message_event),
    KIND(number, 20, 16, NULL),
    KIND(pages, 24, 8, pages_event),
    KIND(progress, 20, 10, NULL),
    KIND(slider, 24, 12, slider_event),
    KIND(stepper, 50, 14, stepper_event),
    {"compass", sizeof(struct jl_dial), 24, 24, compass_make, compass_change, dial_draw,
     dial_redraw, NULL, dial_undraw},
};
