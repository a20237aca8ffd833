/*
 * A level in segments, upwards or to the right, with a mark at the highest value of late. */
#ifndef JADELAMP_INSTRUMENTS_LEVEL_H
#define JADELAMP_INSTRUMENTS_LEVEL_H

#include "jadelamp/instruments/instrument.h"

#ifdef __cplusplus
extern "C" {
#endif

struct jl_level_face {
    struct jl_rect box;
    const struct jl_theme *theme;
    struct jl_scale scale; /**< zones colour the segments */
    uint8_t segments;      /**< 1..100 */
};

struct jl_level {
    const struct jl_level_face *face;
    int32_t value;
    int32_t peak; /**< set it to the value to forget the highest one */
    int16_t shown, shown_peak;
    bool drawn; /**< false: all is to be drawn */
};

/** Sets the value, and the mark when it is higher. */
void jl_level_set(struct jl_level *level, int32_t value);

/** Draws all of it, on any target. */
void jl_level_draw(struct jl_target *target, const struct jl_level *level);
/** Draws what changed; see instrument.h. */
bool jl_level_redraw(struct jl_target *target, struct jl_level *level);

#ifdef __cplusplus
}
#endif

#endif
