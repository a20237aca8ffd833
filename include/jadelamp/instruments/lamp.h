/* A lamp with a label. */
#ifndef JADELAMP_INSTRUMENTS_LAMP_H
#define JADELAMP_INSTRUMENTS_LAMP_H

#include "jadelamp/instruments/instrument.h"

#ifdef __cplusplus
extern "C" {
#endif

struct jl_lamp_face {
    struct jl_rect box;
    const struct jl_theme *theme;
    const char *label; /**< to its right, or NULL */
    uint8_t grade;     /**< enum jl_grade: its colour when it is on */
};

struct jl_lamp {
    const struct jl_lamp_face *face;
    bool on;
    bool shown_on;
    bool drawn; /**< false: all is to be drawn */
};

/** Draws all of it, on any target. */
void jl_lamp_draw(struct jl_target *target, const struct jl_lamp *lamp);
/** Draws what changed; see instrument.h. */
bool jl_lamp_redraw(struct jl_target *target, struct jl_lamp *lamp);

#ifdef __cplusplus
}
#endif

#endif
