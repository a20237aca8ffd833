/* The part of the first-light picture that every kind of panel shows. */
#ifndef JADELAMP_SRC_TEST_CARD_H
#define JADELAMP_SRC_TEST_CARD_H

#include "jadelamp/draw.h"

#define JL_CARD_MARGIN 10 /* from the edge of the glass to texts and boxes */

/* Where a kind of panel puts its patches. Sides of 0 or less: no room. */
struct jl_card_boxes {
    struct jl_rect left, right;
};

/* Draws the common part. */
struct jl_card_boxes jl_card_begin(struct jl_target *target, const char *title, jl_color ink,
                                   jl_color paper);

#endif
