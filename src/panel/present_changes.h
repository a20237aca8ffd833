/* Presents that compare with a shadow first. */
#ifndef JADELAMP_SRC_PRESENT_CHANGES_H
#define JADELAMP_SRC_PRESENT_CHANGES_H

#include "present.h"

/*
 * Narrows the damage of a frame that the panel can present now to what differs from the shadow,
 * and makes the shadow equal. Whoever calls it presents the frame next.
 */
void jl_present_narrow(const struct jl_panel *panel, struct jl_frame *frame, uint8_t *shadow);

#endif
