/* What parts without a memory have in common: pictures do not come over their bus. */
#ifndef JADELAMP_SRC_SCANNED_H
#define JADELAMP_SRC_SCANNED_H

#include "jadelamp/frame.h"
#include "jadelamp/panel.h"

/* A stretch that no part takes: the call that wanted to send pixels fails with its status. */
size_t jl_scanned_next(struct jl_panel *panel, const struct jl_rect *area,
                       struct jl_stretch *stretch, uint8_t *out);

/* Frames of whole bytes a pixel: what the display peripheral takes is for scanout.h to check. */
#define SCANNED_LAYOUTS                                                                            \
    (1 << JL_LAYOUT_OTHER | 1 << JL_LAYOUT_RGB332 | 1 << JL_LAYOUT_RGB565 |                        \
     1 << JL_LAYOUT_RGB565_CPU | 1 << JL_LAYOUT_RGB666 | 1 << JL_LAYOUT_PALETTE)

#endif
