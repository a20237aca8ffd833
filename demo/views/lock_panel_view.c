/* Plain firmware code: a menu, and a page for each thing in it. */
#include "lock_panel.h"

#include "jadelamp/draw.h"

#define THEME (&jl_theme_lit)

enum { UPPER = 0, LOWER = 1, LAMPS = 10, LEVEL = 11 };

static const struct jl_menu_entry gate_entries[] = {{"Upper gate", NULL, UPPER},
                                                    {"Lower gate", NULL, LOWER}};
static const struct jl_menu_page gates = {"Gates", gate_entries, 2};
static const struct jl_menu_entry entries[] = {
    {"Level", NULL, LEVEL}, {"Gates", &gates, 0},          {"Barge list", NULL, 99},
    {"Lamps", NULL, LAMPS}, {"Level, large", NULL, LEVEL}, {"About", NULL, 99}};
static const struct jl_menu_page root = {"Lock 3", entries, 6};

static const struct jl_menu_face menu_face = {{0, 0, 128, 64}, THEME};
static const struct jl_slider_face slider_face = {{4, 20, 120, 15}, THEME, {0, 100, NULL, 0}, 5};
static const struct jl_progress_face moved_face = {{4, 46, 120, 15}, THEME};
static const struct jl_check_face lamps_face = {{20, 28, 90, 16}, THEME, "Lamps lit"};
static const struct jl_digits_face level_face = {{8, 16, 100, 46}, THEME, 3, 2};

void lock_panel_begin(struct lock_panel *panel) {
    *panel = (struct lock_panel){.menu = {.face = &menu_face, .pages = {&root}},
                                 .slider = {.face = &slider_face, .focused = true},
                                 .moved = {.face = &moved_face, .all = 100},
                                 .lamps = {.face = &lamps_face, .focused = true},
                                 .level = {.face = &level_face, .value = 184}};
}

void lock_panel_tick(struct lock_panel *panel) {
    for (int i = 0; i < LOCK_GATES; i++) {
        int32_t way = panel->wanted[i] - panel->opening[i];
        panel->opening[i] += way > 0 ? 1 : way < 0 ? -1 : 0;
    }
    panel->moved.done = panel->opening[panel->gate];
}

static void show(struct lock_panel *panel, enum lock_page page) {
    panel->page = page;
    panel->drawn = false;
}

static void choose(struct lock_panel *panel, int16_t id) {
    switch (id) {
    case UPPER:
    case LOWER:
        panel->gate = id;
        panel->slider.value = panel->wanted[id];
        panel->moved.done = panel->opening[id];
        show(panel, LOCK_GATE);
        break;
    case LAMPS:
        panel->lamps.on = !panel->lamps.on;
        show(panel, LOCK_LAMPS);
        break;
    case LEVEL:
        show(panel, LOCK_LEVEL);
        break;
    default:
        break;
    }
}

void lock_panel_event(struct lock_panel *panel, const struct jl_event *event) {
    bool leaves =
        event->kind == JL_EVENT_KEY && !event->dx &&
        (event->which == JL_KEY_BACK || (event->which == JL_KEY_OK && panel->page != LOCK_MENU));
    if (panel->page == LOCK_MENU) {
        choose(panel, jl_menu_event(&panel->menu, event));
    } else if (leaves) {
        show(panel, LOCK_MENU);
    } else if (panel->page == LOCK_GATE && jl_slider_event(&panel->slider, event)) {
        panel->wanted[panel->gate] = panel->slider.value;
    }
}

static void draw_title(struct jl_target *target, const char *title) {
    static const struct jl_text_style style = {.font = &jl_font_6x8, .ink = JL_WHITE};
    jl_clear(target, JL_BLACK);
    jl_text(target, 2, 0, title, &style);
    jl_fill_rect(target, (struct jl_rect){0, 10, 128, 1}, JL_WHITE);
}

/* What stands still on a page. */
static void begin_page(struct jl_target *target, struct lock_panel *panel) {
    static const char *const titles[] = {"", "", "Lamps", "Level, metres"};
    draw_title(target,
               panel->page == LOCK_GATE ? gate_entries[panel->gate].text : titles[panel->page]);
    panel->menu.drawn = panel->slider.drawn = panel->moved.drawn = false;
    panel->lamps.drawn = panel->level.drawn = false;
    panel->drawn = true;
}

bool lock_panel_redraw(struct jl_target *target, struct lock_panel *panel) {
    bool drew = !panel->drawn;
    if (!panel->drawn) {
        begin_page(target, panel);
    }
    switch (panel->page) {
    case LOCK_MENU:
        return jl_menu_redraw(target, &panel->menu) || drew;
    case LOCK_GATE:
        drew |= jl_slider_redraw(target, &panel->slider);
        return jl_progress_redraw(target, &panel->moved) || drew;
    case LOCK_LAMPS:
        return jl_check_redraw(target, &panel->lamps) || drew;
    default:
        return jl_digits_redraw(target, &panel->level) || drew;
    }
}
