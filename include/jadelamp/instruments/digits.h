/* Seven-segment digits, of any size. */
#ifndef JADELAMP_INSTRUMENTS_DIGITS_H
#define JADELAMP_INSTRUMENTS_DIGITS_H

#include "jadelamp/instruments/instrument.h"

#ifdef __cplusplus
extern "C" {
#endif

struct jl_digits_face {
    struct jl_rect box;
    const struct jl_theme *theme;
    uint8_t places; /**< 1..10, with that of the sign */
    uint8_t decimals;
};

struct jl_digits {
    const struct jl_digits_face *face;
    int32_t value; /**< fixed point; what has no place is shown as bars */
    int32_t shown;
    bool drawn; /**< false: all is to be drawn */
};

/** Draws all of it, on any target. */
void jl_digits_draw(struct jl_target *target, const struct jl_digits *digits);
/** Draws what changed; see instrument.h. */
bool jl_digits_redraw(struct jl_target *target, struct jl_digits *digits);

#ifdef __cplusplus
}
#endif

#endif
