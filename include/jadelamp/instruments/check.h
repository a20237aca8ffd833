/* A check box. */
#ifndef JADELAMP_INSTRUMENTS_CHECK_H
#define JADELAMP_INSTRUMENTS_CHECK_H

#include "jadelamp/instruments/instrument.h"

#ifdef __cplusplus
extern "C" {
#endif

struct jl_check_face {
    struct jl_rect box; /**< the label is a part of it, and can be touched */
    const struct jl_theme *theme;
    const char *label; /**< or NULL */
};

struct jl_check {
    const struct jl_check_face *face;
    bool on;
    bool focused; /**< takes JL_KEY_OK */
    struct jl_grip grip;
    uint8_t shown;
    bool drawn; /**< false: all is to be drawn */
};

/** Whether `on` was changed. */
bool jl_check_event(struct jl_check *check, const struct jl_event *event);

/** Draws all of it, on any target. */
void jl_check_draw(struct jl_target *target, const struct jl_check *check);
/** Draws what changed; see instrument.h. */
bool jl_check_redraw(struct jl_target *target, struct jl_check *check);

#ifdef __cplusplus
}
#endif

#endif
