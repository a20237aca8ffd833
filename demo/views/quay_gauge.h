/* The quay gauge of Heron Quay: tide height, trend, next high water on 128x64. */
#ifndef HERON_QUAY_QUAY_GAUGE_H
#define HERON_QUAY_QUAY_GAUGE_H

#include "jadelamp/target.h"

enum tide_trend { TIDE_FALLING = -1, TIDE_SLACK = 0, TIDE_RISING = 1 };

struct quay_reading {
    int32_t minute;    /* of the day, 0..1439 */
    int32_t height_cm; /* above chart datum, -99..999 */
    enum tide_trend trend;
    int32_t next_high_minute; /* -1: not today */
    int32_t next_high_cm;
};

/*
 * Draws the whole picture. Every pixel is set in one go, never cleared first,
 * so a new reading damages only the segments and digits that changed.
 */
void quay_gauge_draw(struct jl_target *target, const struct quay_reading *reading);

#endif
