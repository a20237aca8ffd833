/* A number with a label and a unit. */
#ifndef JADELAMP_INSTRUMENTS_NUMBER_H
#define JADELAMP_INSTRUMENTS_NUMBER_H

#include "jadelamp/instruments/instrument.h"

#ifdef __cplusplus
extern "C" {
#endif

struct jl_number_face {
    struct jl_rect box;
    const struct jl_theme *theme;
    const char *label; /**< in the upper left corner, or NULL */
    const char *unit;  /**< behind the number, or NULL */
    uint8_t decimals;
    bool is_large;                /**< in the theme's large font */
    const struct jl_scale *scale; /**< colours it by its zones; or NULL: ink */
};

struct jl_number {
    const struct jl_number_face *face;
    int32_t value; /**< fixed point, with the face's decimals */
    int32_t shown;
    bool drawn; /**< false: all is to be drawn */
};

/** Draws all of it, on any target. */
void jl_number_draw(struct jl_target *target, const struct jl_number *number);
/** Draws what changed; see instrument.h. */
bool jl_number_redraw(struct jl_target *target, struct jl_number *number);

#ifdef __cplusplus
}
#endif

#endif
