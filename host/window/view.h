/*
 * The picture of the window: each glass at its place, and the strip below it. Drawn with the
 * library itself; who shows it is another's matter.
 */
#ifndef JADELAMP_HOST_WINDOW_VIEW_H
#define JADELAMP_HOST_WINDOW_VIEW_H

#include "jadelamp/frame.h"
#include "link.h"

enum { VIEW_STRIP_LINES = 4, VIEW_MOST_ZOOM = 32 };

struct view_place {
    struct jl_glass glass;
    uint8_t turn;                 /* quarters by which the mounted panel is turned back */
    int left, top, width, height; /* in the window, of all that is shown of it */
};

enum view_mood { VIEW_USUAL, VIEW_QUIET, VIEW_WARNS, VIEW_ALARMS };

struct view_line {
    char text[300];
    enum view_mood mood;
};

struct view {
    const struct link_value *values; /* of a screen sheet, beside the glass */
    int value_count;                 /* 0: none */
    int values_left, values_top;
    int count, zoom;
    bool plain;
    struct view_place places[JL_WINDOW_MOST_CARDS];
    struct view_line strip[VIEW_STRIP_LINES];
    struct jl_picture canvas;
    struct jl_frame frame; /* onto the canvas */
};

/* Finds the places for the zoom and the look; with zoom 0 the largest that fits most screens.
 * Makes the canvas anew. False: no memory. */
bool jl_host_view_lay_out(struct view *view);

/* The glass of a panel at its place, from the pixels of its upright glass. */
void jl_host_view_glass(struct view *view, int panel, const struct link_panel *state,
                        const uint8_t *pixels);

/* The strip. */
void jl_host_view_strip(struct view *view);

/* The pixel of an upright glass at a place of the window. False: none is there, and with `panel`
 * 0 or above, the nearest one of that panel is given. */
bool jl_host_view_hit(const struct view *view, int x, int y, int *panel, int *glass_x,
                      int *glass_y);

/* The values with their sliders. */
void jl_host_view_values(struct view *view);

/* The value whose slider is at a place, and what it would be. NONE_THERE: none; with `held` 0 or
 * above that one is meant, wherever the place is. */
enum { NONE_THERE = -1 };
int jl_host_view_slide(const struct view *view, int x, int y, int held, int32_t *number);

#endif
