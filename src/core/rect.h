/* Rectangles in place: small where they are passed on. */
#ifndef JADELAMP_SRC_RECT_H
#define JADELAMP_SRC_RECT_H

#include "jadelamp/geometry.h"

/* Makes an area what it has in common with a clip. False: that is nothing, and the area is empty.
 */
bool jl_rect_cut(struct jl_rect *area, const struct jl_rect *clip);

#endif
