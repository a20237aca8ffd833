/* Shared by the calls on a panel: its states and the one way to end a transfer. */
#ifndef JADELAMP_SRC_PANEL_H
#define JADELAMP_SRC_PANEL_H

#include "jadelamp/panel.h"

enum {
    STATE_UNUSABLE, /* not open */
    STATE_OPEN,     /* described, never woken or lost in a bus error */
    STATE_AWAKE,
    STATE_SCROLLING,
    STATE_ASLEEP,
};

/* JL_OK when the controller takes commands and may change its RAM or settings. */
jl_status jl_panel_ready(const struct jl_panel *panel);

/* After a bus error nobody knows what the controller holds: only a wake-up helps. */
jl_status jl_panel_settle(struct jl_panel *panel, jl_status status);

/* Encodes a setting and sends it. */
jl_status jl_panel_apply(struct jl_panel *panel, enum jl_setting setting, uint8_t value);

#endif
