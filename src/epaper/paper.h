/* What the calls on e-paper share. */
#ifndef JADELAMP_SRC_PAPER_H
#define JADELAMP_SRC_PAPER_H

#include "../panel/panel.h"
#include "jadelamp/epaper.h"

enum { PLANE_NEW, PLANE_OLD, PLANE_NONE }; /* panel->plane; none: the RAM is kept as it is */

/* How far a picture is: what has been sent when jl_paper_show() is called. */
enum { PASS_BEGIN, PASS_NEW, PASS_OLD_BEFORE, PASS_UPDATE, PASS_OLD_BEHIND, PASS_DONE };

/*
 * Whether BUSY has the level that a step waits for: JL_OK, JL_BUSY while it has not, JL_TIMEOUT
 * when it had it not for too long since the first look. Never waits where the port has a clock.
 */
jl_status jl_paper_look(const struct jl_panel *panel, struct jl_showing *showing,
                        const uint8_t *step);

/* The part of the description about e-paper; all zero where there is none. */
const struct jl_epaper_config *jl_epaper_config_of(const struct jl_panel *panel);

/* The wave that the description has for an update, or NULL. */
const struct jl_wave *jl_paper_wave(const struct jl_panel *panel, uint8_t update);

/* Whether there is a waveform for an update: the part's own, or the description's. */
bool jl_paper_has(const struct jl_panel *panel, uint8_t update);

#endif
