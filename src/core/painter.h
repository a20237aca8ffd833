/* The painter for turned targets and modes; include it only where these are meant to be linked. */
#ifndef JADELAMP_SRC_PAINTER_H
#define JADELAMP_SRC_PAINTER_H

#include "paint.h"

extern const struct jl_painter jl_painter_full;

/*
 * Makes (x, y) the picture's (0, 0) and turns it about that point. The caller keeps
 * the target's turn, shift and painter and puts them back. Coordinates whose place
 * does not fit int16_t wrap; callers check that the point is near the target.
 */
void jl_painter_turn_about(struct jl_target *t, int16_t x, int16_t y, uint8_t quarter_turns);

#endif
