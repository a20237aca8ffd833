/*
 * Controllers that are told page, upper and lower digit of the column for each page. Behind a
 * multiple of 16 columns the lower digit is where it was, so pages after the first go without it;
 * not where the column ran against the end of the RAM, where it stops.
 */
#include "jadelamp/panel.h"

#include "../core/lone.h"

size_t jl_next_page(struct jl_panel *panel, const struct jl_rect *area, struct jl_stretch *stretch,
                    uint8_t *out) {
    bool first = stretch->area.h == 0;
    size_t bytes = jl_next_line(panel, area, stretch, out);
    if (!first && bytes) {
        int behind = (out[2] & 15) * 16 + (out[3] & 15) + area->w;
        if (!(area->w & 15) && behind < jl_config_of(panel)->controller->ram_width) {
            out[0] = 2;
            bytes = 3;
        }
    }
    return bytes;
}
