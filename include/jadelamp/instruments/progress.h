/* How far a long work is, with percents in the bar. */
#ifndef JADELAMP_INSTRUMENTS_PROGRESS_H
#define JADELAMP_INSTRUMENTS_PROGRESS_H

#include "jadelamp/instruments/instrument.h"

#ifdef __cplusplus
extern "C" {
#endif

struct jl_progress_face {
    struct jl_rect box;
    const struct jl_theme *theme;
};

struct jl_progress {
    const struct jl_progress_face *face;
    int32_t done, all; /**< 0 <= done <= all */
    int16_t shown, shown_percent;
    bool drawn; /**< false: all is to be drawn */
};

/** Draws all of it, on any target. */
void jl_progress_draw(struct jl_target *target, const struct jl_progress *progress);
/** Draws what changed; see instrument.h. */
bool jl_progress_redraw(struct jl_target *target, struct jl_progress *progress);

#ifdef __cplusplus
}
#endif

#endif
