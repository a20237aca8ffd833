/* The sluice sign of Heron Quay: both levels at the lock, on a small LCD of 84x48. */
#ifndef HERON_QUAY_SLUICE_SIGN_H
#define HERON_QUAY_SLUICE_SIGN_H

#include "jadelamp/target.h"

struct sluice_reading {
    int16_t minute;             /* of the day, 0..1439 */
    int16_t upper_cm, lower_cm; /* above the sill, 0..500 */
};

/* Draws the whole picture, 84x48 pixels. */
void sluice_sign_draw(struct jl_target *target, const struct sluice_reading *reading);

#endif
