/*
 * The harbour console of Heron Quay: two sluice gates and the inner basin, on 800x480 with touch.
 */
#ifndef HERON_QUAY_HARBOUR_CONSOLE_H
#define HERON_QUAY_HARBOUR_CONSOLE_H

#include "basin_scene.h"
#include "jadelamp/instruments.h"

enum { CONSOLE_CHART = 300, CONSOLE_GATES = 2 };

/* All that it knows: instruments, and a harbour that is computed. Zero it, then set it up. */
struct harbour_console {
    struct jl_slider gates[CONSOLE_GATES];  /* wanted opening, percent */
    struct jl_number opened[CONSOLE_GATES]; /* as it is */
    struct jl_bar basin;
    struct jl_chart chart;
    struct jl_dial inflow;
    struct jl_button open, shut;
    struct jl_check lamps;
    struct jl_stepper wanted;
    struct jl_lamp pump;
    struct basin_scene scene;
    struct jl_message question;
    bool asks; /* the question is shown */
    bool drawn;
    struct jl_chart_column columns[CONSOLE_CHART];
    int32_t opening[CONSOLE_GATES]; /* 1/100 percent */
    int32_t level;                  /* 1/100 cm */
    uint32_t ticks;
};

void harbour_console_begin(struct harbour_console *console);

/* A tenth of a second passes at the gates. */
void harbour_console_tick(struct harbour_console *console);

/* Takes an event. Returns whether it was for anything on the screen. */
bool harbour_console_event(struct harbour_console *console, const struct jl_event *event);

/* Draws what changed. Returns whether there was anything. */
bool harbour_console_redraw(struct jl_target *target, struct harbour_console *console);

#endif
