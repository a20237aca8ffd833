/* Turns and mirrors, as controllers know them: exchange the axes, then mirror either. */
#ifndef JADELAMP_SRC_ORIENTATION_H
#define JADELAMP_SRC_ORIENTATION_H

#include "jadelamp/panel.h"

/*
 * From the picture's (x, y) to the glass: with AXES_EXCHANGE x and y change places first;
 * then the glass's columns or rows count from the other end. Add up.
 */
enum { AXES_MIRROR_X = 1, AXES_MIRROR_Y = 2, AXES_EXCHANGE = 4 };

/* Of turns by 0 and 180 degrees only. */
static inline unsigned jl_mirrors_of_turn(unsigned turn) {
    unsigned half = turn >> 1 & 1;
    return (half ^ (turn >> 2 & 1)) | half << 1;
}

/* A quarter turn clockwise: the picture's left edge comes to lie at the top of the glass. */
static inline unsigned jl_axes_of_turn(unsigned turn) {
    unsigned mirrors = jl_mirrors_of_turn(turn);
    unsigned half = mirrors >> 1, mirror = mirrors & 1;
    return turn & 1 ? AXES_EXCHANGE | (half ^ 1) | mirror << 1 : mirrors;
}

/* What the module's mounting mirrors, in the same bits. */
static inline unsigned jl_mirrors_of_module(const struct jl_panel_config *config) {
    return config->module >> 1 & (AXES_MIRROR_X | AXES_MIRROR_Y);
}
_Static_assert(JL_MODULE_MIRROR_X >> 1 == AXES_MIRROR_X && JL_MODULE_MIRROR_Y >> 1 == AXES_MIRROR_Y,
               "mounting and axes use the same bits");

#endif
