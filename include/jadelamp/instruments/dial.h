/* A dial with a needle: gauges, and compasses that go all round. */
#ifndef JADELAMP_INSTRUMENTS_DIAL_H
#define JADELAMP_INSTRUMENTS_DIAL_H

#include "jadelamp/instruments/instrument.h"
#include "jadelamp/shapes.h"

#ifdef __cplusplus
extern "C" {
#endif

struct jl_dial_face {
    struct jl_rect box; /**< the dial is a circle in its middle */
    const struct jl_theme *theme;
    struct jl_scale scale; /**< zones are rings: the worse, the thicker */
    jl_direction start;    /**< where the scale begins, such as JL_DEGREES(225) */
    uint32_t sweep;        /**< how far it goes, clockwise, such as JL_SWEEP(270) */
    uint8_t major;         /**< intervals between long marks; 0: no marks */
    uint8_t minor;         /**< intervals between marks in each of these; 0 or 1: none */
    bool numbers;          /**< at the long marks */
    uint8_t decimals;      /**< of the numbers */
    const char *label;     /**< below the middle, or NULL */
};

struct jl_dial {
    const struct jl_dial_face *face;
    int32_t value;
    int32_t shown;
    bool drawn; /**< false: all is to be drawn */
};

/** Draws all of it, on any target. */
void jl_dial_draw(struct jl_target *target, const struct jl_dial *dial);
/** Draws what changed; see instrument.h. */
bool jl_dial_redraw(struct jl_target *target, struct jl_dial *dial);

#ifdef __cplusplus
}
#endif

#endif
