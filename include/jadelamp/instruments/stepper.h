/* A stepper: less, a value, more. */
#ifndef JADELAMP_INSTRUMENTS_STEPPER_H
#define JADELAMP_INSTRUMENTS_STEPPER_H

#include "jadelamp/instruments/instrument.h"

#ifdef __cplusplus
extern "C" {
#endif

struct jl_stepper_face {
    struct jl_rect box; /**< both buttons are as wide as it is high */
    const struct jl_theme *theme;
    struct jl_scale scale; /**< zones are not shown */
    int32_t step;          /**< 0 counts as 1; holding a button steps by ten of them at once */
    uint8_t decimals;
    const char *unit; /**< behind the value, or NULL */
};

struct jl_stepper {
    const struct jl_stepper_face *face;
    int32_t value;
    bool focused; /**< takes knobs, and the keys up (more) and down (less) */
    struct jl_grip less, more;
    int32_t shown;
    uint8_t shown_look;
    bool drawn; /**< false: all is to be drawn */
};

/** Whether the value was changed. */
bool jl_stepper_event(struct jl_stepper *stepper, const struct jl_event *event);

/** Draws all of it, on any target. */
void jl_stepper_draw(struct jl_target *target, const struct jl_stepper *stepper);
/** Draws what changed; see instrument.h. */
bool jl_stepper_redraw(struct jl_target *target, struct jl_stepper *stepper);

#ifdef __cplusplus
}
#endif

#endif
