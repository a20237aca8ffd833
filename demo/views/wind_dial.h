/* A wind dial in any size: by itself on the round panel, and as a part of the tide board. */
#ifndef HERON_QUAY_WIND_DIAL_H
#define HERON_QUAY_WIND_DIAL_H

#include "jadelamp/target.h"

struct wind_reading {
    int16_t degrees; /* where the wind comes from, 0..359 */
    int16_t knots;   /* 0..99 */
};

/* Draws the dial, opaque, within `radius` (40 or more) of (x, y). */
void wind_dial_draw(struct jl_target *target, int16_t x, int16_t y, int16_t radius,
                    const struct wind_reading *reading);

#endif
