/* Shared by the calls on a panel: its states and the one way to end a transfer. */
#ifndef JADELAMP_SRC_PANEL_H
#define JADELAMP_SRC_PANEL_H

#include "../core/lone.h"
#include "jadelamp/panel.h"

enum {
    STATE_UNUSABLE, /* not open */
    STATE_OPEN,     /* described, never woken or lost in a bus error */
    STATE_AWAKE,
    STATE_SCROLLING,
    STATE_ASLEEP,
    STATE_SENDING, /* awake, with a transfer under way */
};

/* Whether the controller can show a picture turned so. */
static inline bool jl_turn_possible(const struct jl_controller *controller, uint8_t turn) {
    return turn <= (JL_TURN_270 | JL_TURN_MIRROR) && (controller->turns >> turn & 1);
}

/* Width and height of the picture follow the turn. */
static inline void jl_panel_take_turn(struct jl_panel *panel, uint8_t turn) {
    const struct jl_panel_config *config = jl_config_of(panel);
    panel->turn = turn;
    panel->width = turn & 1 ? config->height : config->width;
    panel->height = turn & 1 ? config->width : config->height;
}

/*
 * JL_OK when the controller takes commands and may change its RAM or settings. Waits for
 * the end of an asynchronous present, through a pointer, so that programs without one do not
 * carry its code.
 */
jl_status jl_panel_ready(struct jl_panel *panel);

/*
 * Ends a call. After a bus error nobody knows what the controller holds: only a wake-up helps. And
 * what it keeps of addresses is told anew by the next call, since wires without answers may have
 * lost something unseen.
 */
jl_status jl_panel_end_call(struct jl_panel *panel, jl_status status);

/* Keeps the first status that is not JL_OK; returns it as it is. */
jl_status jl_panel_note(struct jl_panel *panel, jl_status status);

/* Encodes a setting and sends it. */
jl_status jl_panel_apply(struct jl_panel *panel, enum jl_setting setting, uint8_t value);

#endif
