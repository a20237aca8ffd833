/* Goes through an area of an e-paper's RAM. */
#include "paper.h"

size_t jl_next_paper(struct jl_panel *panel, const struct jl_rect *area, struct jl_stretch *stretch,
                     uint8_t *out) {
    if (stretch->area.h && panel->update == JL_UPDATE_PARTIAL) {
        stretch->area.h = 0; /* red stays as it is */
        return 0;
    }
    return jl_next_units(panel, area, stretch, out);
}
