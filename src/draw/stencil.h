/* The clipped stencil that pictures and text share. */
#ifndef JADELAMP_SRC_STENCIL_H
#define JADELAMP_SRC_STENCIL_H

#include "jadelamp/draw.h"

/* Draws a map with its top left at the area's; the area past the map is paper. */
void jl_stencil_clipped(struct jl_target *target, struct jl_rect area, const struct jl_bitmap *map,
                        jl_color ink, jl_color paper);

#endif
