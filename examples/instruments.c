/* Each instrument once, on 480x320, by night and by day: the same faces in another theme. */
#include "drawing.h"

enum { WIDTH = 480, HEIGHT = 320, COLUMNS = 138 };

static const struct jl_zone zones[] = {
    {60, JL_GRADE_GOOD}, {80, JL_GRADE_WARN}, {100, JL_GRADE_ALARM}};
static const struct jl_scale scale = {0, 100, zones, 3};
static const char *const items[] = {"Tide",       "Wind",       "Upper gate",
                                    "Lower gate", "Lamp north", "About"};
static const char *const tabs[] = {"Tide", "Wind", "Gates"};
static const struct jl_menu_entry entries[] = {
    {"Level", NULL, 1}, {"Gates", NULL, 2}, {"Lamps", NULL, 3}};
static const struct jl_menu_page lock = {"Lock 3", entries, 3};

static void draw_gauges(struct jl_target *target, const struct jl_theme *theme) {
    const struct jl_dial_face wind_face = {.box = {6, 32, 134, 134},
                                           .theme = theme,
                                           .scale = scale,
                                           .start = JL_DEGREES(225),
                                           .sweep = JL_SWEEP(270),
                                           .major = 5,
                                           .minor = 4,
                                           .numbers = true,
                                           .label = "kn"};
    const struct jl_dial_face compass_face = {.box = {6, 174, 104, 104},
                                              .theme = theme,
                                              .scale = {0, 360, NULL, 0},
                                              .sweep = JL_SWEEP(360),
                                              .major = 4,
                                              .minor = 3,
                                              .numbers = true};
    const struct jl_bar_face bar_face = {{148, 32, 26, 134}, theme, scale, 5};
    const struct jl_level_face level_face = {{182, 32, 16, 134}, theme, scale, 20};
    struct jl_dial wind = {.face = &wind_face, .value = 42};
    struct jl_dial compass = {.face = &compass_face, .value = 225};
    struct jl_bar bar = {.face = &bar_face, .value = 42};
    struct jl_level level = {.face = &level_face};
    jl_level_set(&level, 92);
    jl_level_set(&level, 55); /* the mark stays at the highest */
    jl_dial_draw(target, &wind);
    jl_dial_draw(target, &compass);
    jl_bar_draw(target, &bar);
    jl_level_draw(target, &level);
}

static void draw_numbers(struct jl_target *target, const struct jl_theme *theme) {
    static struct jl_chart_column columns[COLUMNS];
    const struct jl_chart_face chart_face = {
        {208, 32, COLUMNS + 2, 84}, theme, {0, 100, zones, 3}, 4, 1, true, 10, true, 0};
    const struct jl_number_face number_face = {
        {208, 122, 66, 44}, theme, "Tide", "m", 2, false, NULL};
    const struct jl_number_face large_face = {
        {280, 122, 68, 44}, theme, NULL, NULL, 0, true, &scale};
    const struct jl_digits_face digits_face = {{356, 32, 118, 60}, theme, 4, 2};
    const struct jl_lamp_face lamp_face = {{358, 98, 110, 20}, theme, "Pump", JL_GRADE_WARN};
    struct jl_chart chart = {.face = &chart_face, .columns = columns, .room = COLUMNS};
    struct jl_number number = {.face = &number_face, .value = 184};
    struct jl_number large = {.face = &large_face, .value = 85};
    struct jl_digits digits = {.face = &digits_face, .value = 1284};
    struct jl_lamp lamp = {.face = &lamp_face, .on = true};
    for (int16_t i = 0; i < 200; i++) {
        jl_chart_add(&chart, (int16_t)(50 + jl_sine((jl_direction)(i * 900)) / 450 + i % 5));
    }
    jl_chart_draw(target, &chart);
    jl_number_draw(target, &number);
    jl_number_draw(target, &large);
    jl_digits_draw(target, &digits);
    jl_lamp_draw(target, &lamp);
}

static void draw_controls(struct jl_target *target, const struct jl_theme *theme) {
    const struct jl_button_face button_face = {{358, 128, 116, 38}, theme, "Open"};
    const struct jl_check_face check_face = {{118, 178, 100, 20}, theme, "Lamps lit"};
    const struct jl_slider_face slider_face = {{118, 206, 100, 30}, theme, scale, 1};
    const struct jl_progress_face progress_face = {{118, 246, 100, 22}, theme};
    const struct jl_stepper_face stepper_face = {{6, 284, 150, 32}, theme, scale, 1, 1, "m"};
    struct jl_button button = {.face = &button_face, .focused = true};
    struct jl_check check = {.face = &check_face, .on = true};
    struct jl_slider slider = {.face = &slider_face, .value = 42};
    struct jl_progress progress = {.face = &progress_face, .done = 47, .all = 100};
    struct jl_stepper stepper = {.face = &stepper_face, .value = 42};
    jl_button_draw(target, &button);
    jl_check_draw(target, &check);
    jl_slider_draw(target, &slider);
    jl_progress_draw(target, &progress);
    jl_stepper_draw(target, &stepper);
}

static void draw_lists(struct jl_target *target, const struct jl_theme *theme) {
    const struct jl_pages_face pages_face = {{0, 0, WIDTH, 24}, theme, tabs, 3, {0, 0, 0, 0}};
    const struct jl_list_face list_face = {{228, 174, 118, 80}, theme};
    const struct jl_menu_face menu_face = {{356, 174, 118, 78}, theme};
    const struct jl_message_face message_face = {
        {228, 260, 246, 56}, theme, "Gate 2", "", {"Open", "Leave it", NULL}, JL_GRADE_WARN};
    struct jl_pages pages = {.face = &pages_face, .page = 1};
    struct jl_list list = {.face = &list_face, .items = items, .count = 6, .selected = 2};
    struct jl_menu menu = {.face = &menu_face, .pages = {&lock}, .selected = {1}};
    struct jl_message message = {.face = &message_face};
    jl_pages_draw(target, &pages);
    jl_list_draw(target, &list);
    jl_menu_draw(target, &menu);
    jl_message_draw(target, &message);
}

static void draw(struct jl_frame *frame, int step) {
    const struct jl_theme *theme = step ? &jl_theme_day : &jl_theme_night;
    struct jl_target *target = &frame->target;
    jl_clear(target, theme->back);
    draw_gauges(target, theme);
    draw_numbers(target, theme);
    draw_controls(target, theme);
    draw_lists(target, theme);
}

const struct drawing drawing = {&jl_rgb565, WIDTH, HEIGHT, 2, 1, draw};
