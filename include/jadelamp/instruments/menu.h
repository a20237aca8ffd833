/*
 * A menu: pages of entries, of which some open another page. Constant, in flash.
 *
 *   static const struct jl_menu_entry gate[] = {{"Open", NULL, 1}, {"Close", NULL, 2}};
 *   static const struct jl_menu_page gates = {"Gates", gate, 2};
 *   static const struct jl_menu_entry top[] = {{"Gates", &gates, 0}, {"About", NULL, 3}};
 *   static const struct jl_menu_page root = {"Lock 3", top, 2};
 *   struct jl_menu menu = {.face = &face, .pages = {&root}};
 */
#ifndef JADELAMP_INSTRUMENTS_MENU_H
#define JADELAMP_INSTRUMENTS_MENU_H

#include "jadelamp/instruments/instrument.h"

#ifdef __cplusplus
extern "C" {
#endif

struct jl_menu_page;

struct jl_menu_entry {
    const char *text;
    const struct jl_menu_page *page; /**< that it opens, or NULL */
    int16_t id;                      /**< what jl_menu_event() returns of an entry without a page */
};

struct jl_menu_page {
    const char *title;
    const struct jl_menu_entry *entries;
    int16_t count;
};

enum { JL_MENU_DEPTH = 4 };

struct jl_menu_face {
    struct jl_rect box;
    const struct jl_theme *theme;
};

struct jl_menu {
    const struct jl_menu_face *face;
    const struct jl_menu_page *pages[JL_MENU_DEPTH]; /**< from the first to the open one */
    int16_t selected[JL_MENU_DEPTH];
    uint8_t depth; /**< which of them is open */
    int16_t first, rest;
    int16_t shown_selected, shown_first;
    bool drawn; /**< false: all is to be drawn */
};

/** What jl_menu_event() returns of events that choose no entry. */
#define JL_MENU_NONE (-1)

/**
 * Moves by fingers, knobs and keys. An entry with a page opens it, and JL_KEY_BACK or a tap on the
 * title goes back; pages deeper than JL_MENU_DEPTH do not open.
 *
 * @return the id of an entry that was chosen, or JL_MENU_NONE
 */
int16_t jl_menu_event(struct jl_menu *menu, const struct jl_event *event);

/** Draws all of it, on any target. */
void jl_menu_draw(struct jl_target *target, const struct jl_menu *menu);
/** Draws what changed; see instrument.h. */
bool jl_menu_redraw(struct jl_target *target, struct jl_menu *menu);

#ifdef __cplusplus
}
#endif

#endif
