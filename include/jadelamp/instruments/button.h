/* A button. */
#ifndef JADELAMP_INSTRUMENTS_BUTTON_H
#define JADELAMP_INSTRUMENTS_BUTTON_H

#include "jadelamp/instruments/instrument.h"

#ifdef __cplusplus
extern "C" {
#endif

struct jl_button_face {
    struct jl_rect box;
    const struct jl_theme *theme;
    const char *label; /**< or NULL */
};

struct jl_button {
    const struct jl_button_face *face;
    bool focused;  /**< takes JL_KEY_OK */
    bool disabled; /**< takes nothing */
    struct jl_grip grip;
    uint8_t shown;
    bool drawn; /**< false: all is to be drawn */
};

/** Whether it was pressed: a finger was lifted on it, or JL_KEY_OK went down. */
bool jl_button_event(struct jl_button *button, const struct jl_event *event);

/** Draws all of it, on any target. */
void jl_button_draw(struct jl_target *target, const struct jl_button *button);
/** Draws what changed; see instrument.h. */
bool jl_button_redraw(struct jl_target *target, struct jl_button *button);

#ifdef __cplusplus
}
#endif

#endif
