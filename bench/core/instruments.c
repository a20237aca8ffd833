/* Instruments on a Cortex-M0+: instructions of drawing all, and of drawing what changed. */
#include "measure.h"

#include "jadelamp/frame.h"
#include "jadelamp/instruments.h"

enum { WIDTH = 240, HEIGHT = 240 };

static uint8_t pixels[JL_RGB565_BYTES(WIDTH, HEIGHT)];
static struct jl_frame frame;
static struct jl_damage damage;

/* One of each, in a usual size; what changes of it is a usual step. */
#define THEME (&jl_theme_night)
static const struct jl_zone zones[] = {
    {60, JL_GRADE_GOOD}, {80, JL_GRADE_WARN}, {100, JL_GRADE_ALARM}};
#define SCALE                                                                                      \
    { 0, 100, zones, 3 }

#define CASE(name, face_text, state, change)                                                       \
    static const struct jl_##name##_face name##_face = face_text;                                  \
    static struct jl_##name name = state;                                                          \
    static void name##_all(void *context) {                                                        \
        (void)context;                                                                             \
        name.drawn = false;                                                                        \
        jl_##name##_redraw(&frame.target, &name);                                                  \
    }                                                                                              \
    static void name##_part(void *context) {                                                       \
        (void)context;                                                                             \
        jl_##name##_redraw(&frame.target, &name);                                                  \
    }                                                                                              \
    static void name##_measure(void) {                                                             \
        int32_t all = (int32_t)measure(name##_all, NULL);                                          \
        change;                                                                                    \
        int32_t part = (int32_t)measure(name##_part, NULL);                                        \
        report(#name, all, part, (int32_t)measure(name##_part, NULL));                             \
    }
#define LIST(...)                                                                                  \
    { __VA_ARGS__ }

static const char *const items[] = {"Tide", "Wind", "Upper gate", "Lower gate", "Lamps"};
static struct jl_chart_column columns[200];
static const struct jl_menu_entry entries[] = {
    {"Level", NULL, 1}, {"Gates", NULL, 2}, {"Lamps", NULL, 3}};
static const struct jl_menu_page page = {"Lock 3", entries, 3};
static const char *const titles[] = {"Tide", "Wind", "Gates"};

CASE(bar, LIST({10, 10, 24, 200}, THEME, SCALE, 5), LIST(.face = &bar_face, .value = 50),
     bar.value = 52)
CASE(button, LIST({10, 10, 90, 36}, THEME, "Open"), LIST(.face = &button_face),
     button.grip.inside = true)
CASE(chart, LIST({10, 10, 202, 122}, THEME, SCALE, 4, 1, true, 8, true, 0),
     LIST(.face = &chart_face, .columns = columns, .room = 200), jl_chart_add(&chart, 47))
CASE(check, LIST({10, 10, 110, 24}, THEME, "Lamps lit"), LIST(.face = &check_face), check.on = true)
CASE(dial,
     LIST(.box = {0, 0, 240, 240}, .theme = THEME, .scale = SCALE, .start = JL_DEGREES(225),
          .sweep = JL_SWEEP(270), .major = 5, .minor = 4, .numbers = true, .label = "knots"),
     LIST(.face = &dial_face, .value = 40), dial.value = 41)
CASE(digits, LIST({10, 10, 160, 60}, THEME, 4, 2), LIST(.face = &digits_face, .value = 184),
     digits.value = 185)
CASE(lamp, LIST({10, 10, 90, 24}, THEME, "Pump", JL_GRADE_WARN), LIST(.face = &lamp_face),
     lamp.on = true)
CASE(level, LIST({10, 10, 200, 20}, THEME, SCALE, 20), LIST(.face = &level_face, .value = 50),
     jl_level_set(&level, 55))
CASE(list, LIST({10, 10, 160, 100}, THEME), LIST(.face = &list_face, .items = items, .count = 5),
     jl_list_select(&list, 1))
CASE(menu, LIST({10, 10, 160, 120}, THEME), LIST(.face = &menu_face, .pages = {&page}),
     menu.selected[0] = 1)
CASE(message, LIST({10, 10, 220, 120}, THEME, "Gate 2", "Close it?", {"Yes", "No", NULL}, 1),
     LIST(.face = &message_face), message.focus = 1)
CASE(number, LIST({10, 10, 120, 36}, THEME, "Tide", "m", 2, false, NULL),
     LIST(.face = &number_face, .value = 184), number.value = 185)
CASE(pages, LIST({0, 0, 240, 24}, THEME, titles, 3, {0, 24, 240, 216}), LIST(.face = &pages_face),
     pages.page = 1)
CASE(progress, LIST({10, 10, 200, 24}, THEME), LIST(.face = &progress_face, .done = 40, .all = 100),
     progress.done = 41)
CASE(slider, LIST({10, 10, 200, 30}, THEME, SCALE, 1), LIST(.face = &slider_face, .value = 40),
     slider.value = 41)
CASE(stepper, LIST({10, 10, 160, 34}, THEME, SCALE, 1, 0, "cm"),
     LIST(.face = &stepper_face, .value = 40), stepper.value = 41)

void bench(void) {
    if (jl_frame_init(&frame, &jl_rgb565, WIDTH, HEIGHT, pixels, sizeof pixels) != JL_OK) {
        return;
    }
    jl_frame_track(&frame, &damage);
    for (int16_t i = 0; i < 250; i++) {
        jl_chart_add(&chart, (int16_t)(40 + i % 13));
    }
    bar_measure();
    button_measure();
    chart_measure();
    check_measure();
    dial_measure();
    digits_measure();
    lamp_measure();
    level_measure();
    list_measure();
    menu_measure();
    message_measure();
    number_measure();
    pages_measure();
    progress_measure();
    slider_measure();
    stepper_measure();
}
