/* A list of texts, one of them chosen, scrolled by fingers, knobs and keys. */
#ifndef JADELAMP_INSTRUMENTS_LIST_H
#define JADELAMP_INSTRUMENTS_LIST_H

#include "jadelamp/instruments/instrument.h"

#ifdef __cplusplus
extern "C" {
#endif

struct jl_list_face {
    struct jl_rect box;
    const struct jl_theme *theme;
};

struct jl_list {
    const struct jl_list_face *face;
    const char *const *items; /**< the caller's; set `drawn` to false when they change */
    int16_t count;
    int16_t selected; /**< 0..count-1 */
    int16_t first;    /**< the first row that is seen */
    int16_t rest;     /* of a drag */
    int16_t shown_selected, shown_first;
    bool drawn; /**< false: all is to be drawn */
};

/** Whether a row was chosen: tapped, or JL_KEY_OK went down. It is `selected`. */
bool jl_list_event(struct jl_list *list, const struct jl_event *event);

/** Selects a row and scrolls to it; cut to the rows there are. */
void jl_list_select(struct jl_list *list, int16_t row);

/** Draws all of it, on any target. */
void jl_list_draw(struct jl_target *target, const struct jl_list *list);
/** Draws what changed; see instrument.h. */
bool jl_list_redraw(struct jl_target *target, struct jl_list *list);

#ifdef __cplusplus
}
#endif

#endif
