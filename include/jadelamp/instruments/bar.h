/* A bar that grows to the right, or upwards when its box is higher than wide. */
#ifndef JADELAMP_INSTRUMENTS_BAR_H
#define JADELAMP_INSTRUMENTS_BAR_H

#include "jadelamp/instruments/instrument.h"

#ifdef __cplusplus
extern "C" {
#endif

struct jl_bar_face {
    struct jl_rect box;
    const struct jl_theme *theme;
    struct jl_scale scale; /**< its zone colours the bar; good is the theme's accent */
    uint8_t divisions;     /**< marks beside it; 0: none */
};

struct jl_bar {
    const struct jl_bar_face *face;
    int32_t value;
    int32_t shown;
    bool drawn; /**< false: all is to be drawn */
};

/** Draws all of it, on any target. */
void jl_bar_draw(struct jl_target *target, const struct jl_bar *bar);
/** Draws what changed; see instrument.h. */
bool jl_bar_redraw(struct jl_target *target, struct jl_bar *bar);

#ifdef __cplusplus
}
#endif

#endif
