/* Pixels that somebody tries to send to glass without a memory. */
#include "scanned.h"

size_t jl_scanned_next(struct jl_panel *panel, const struct jl_rect *area,
                       struct jl_stretch *stretch, uint8_t *out) {
    (void)panel;
    stretch->area = *area;
    out[0] = JL_STEP_CODE_BLOCK; /* a rare step, which these parts do not have */
    out[1] = UINT8_MAX;
    return 2;
}
