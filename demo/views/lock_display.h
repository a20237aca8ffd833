/* The lock keeper's display of Heron Quay: water levels on 20 x 4 cells. */
#ifndef HERON_QUAY_LOCK_DISPLAY_H
#define HERON_QUAY_LOCK_DISPLAY_H

#include "jadelamp/char_panel.h"

struct lock_reading {
    int16_t minute;                         /* of the day, 0..1439 */
    int16_t upper_cm, chamber_cm, lower_cm; /* above the sill, 0..500 */
    const char *boat;                       /* in the chamber; empty: none */
};

/*
 * Writes all cells. The panel's glyphs are lock_glyphs, its ROM has a full block; with a buffer
 * the next present sends what changed.
 */
jl_status lock_display_draw(struct jl_char_panel *panel, const struct lock_reading *reading,
                            uint16_t marquee_step);

#endif
