/* The lock panel of Heron Quay: gates, lamps and the level, on 128x64 with a knob and two keys. */
#ifndef HERON_QUAY_LOCK_PANEL_H
#define HERON_QUAY_LOCK_PANEL_H

#include "jadelamp/instruments.h"

enum lock_page { LOCK_MENU, LOCK_GATE, LOCK_LAMPS, LOCK_LEVEL };
enum { LOCK_GATES = 2 };

struct lock_panel {
    struct jl_menu menu;
    enum lock_page page;
    int gate; /* of LOCK_GATE */
    struct jl_slider slider;
    struct jl_progress moved;
    struct jl_check lamps;
    struct jl_digits level;
    int32_t wanted[LOCK_GATES], opening[LOCK_GATES]; /* percent */
    bool drawn;
};

void lock_panel_begin(struct lock_panel *panel);

/* A tenth of a second passes at the gates. */
void lock_panel_tick(struct lock_panel *panel);
void lock_panel_event(struct lock_panel *panel, const struct jl_event *event);
bool lock_panel_redraw(struct jl_target *target, struct lock_panel *panel);

#endif
