/*
 * Which page is shown: tabs with titles, or dots. The pages themselves are the program's.
 */
#ifndef JADELAMP_INSTRUMENTS_PAGES_H
#define JADELAMP_INSTRUMENTS_PAGES_H

#include "jadelamp/instruments/instrument.h"

#ifdef __cplusplus
extern "C" {
#endif

struct jl_pages_face {
    struct jl_rect box; /**< of the tabs or dots */
    const struct jl_theme *theme;
    const char *const *titles; /**< NULL: dots */
    uint8_t count;
    struct jl_rect flick; /**< where a finger may flick from page to page; empty: nowhere */
};

struct jl_pages {
    const struct jl_pages_face *face;
    uint8_t page; /**< 0..count-1 */
    bool focused; /**< takes knobs, and the keys up and down */
    uint8_t shown;
    bool shown_focused;
    bool drawn; /**< false: all is to be drawn */
};

/** Whether another page is shown now. Draw all of it then, and call jl_gestures_drop(). */
bool jl_pages_event(struct jl_pages *pages, const struct jl_event *event);

/** Draws all of it, on any target. */
void jl_pages_draw(struct jl_target *target, const struct jl_pages *pages);
/** Draws what changed; see instrument.h. */
bool jl_pages_redraw(struct jl_target *target, struct jl_pages *pages);

#ifdef __cplusplus
}
#endif

#endif
