/* A slider, to the right, or upwards when its box is higher than wide. */
#ifndef JADELAMP_INSTRUMENTS_SLIDER_H
#define JADELAMP_INSTRUMENTS_SLIDER_H

#include "jadelamp/instruments/instrument.h"

#ifdef __cplusplus
extern "C" {
#endif

struct jl_slider_face {
    struct jl_rect box;
    const struct jl_theme *theme;
    struct jl_scale scale; /**< zones are not shown */
    int32_t step;          /**< values are whole steps from the scale's start; 0 counts as 1 */
};

struct jl_slider {
    const struct jl_slider_face *face;
    int32_t value;
    bool focused; /**< takes knobs, and the keys up and down */
    struct jl_grip grip;
    int16_t shown;
    uint8_t shown_look;
    bool drawn; /**< false: all is to be drawn */
};

/** Whether the value was changed. A finger that came down on it keeps it until it leaves. */
bool jl_slider_event(struct jl_slider *slider, const struct jl_event *event);

/** Draws all of it, on any target. */
void jl_slider_draw(struct jl_target *target, const struct jl_slider *slider);
/** Draws what changed; see instrument.h. */
bool jl_slider_redraw(struct jl_target *target, struct jl_slider *slider);

#ifdef __cplusplus
}
#endif

#endif
