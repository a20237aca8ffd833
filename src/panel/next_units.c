/* Controllers that address several columns together. */
#include "units.h"

size_t jl_next_units(struct jl_panel *panel, const struct jl_rect *area, struct jl_stretch *stretch,
                     uint8_t *out) {
    struct jl_rect grown = jl_whole_units(panel, area);
    return jl_next_window(panel, &grown, stretch, out);
}
