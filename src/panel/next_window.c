/* Controllers whose address goes on from line to line: one window, or one for each plane. */
#include "jadelamp/panel.h"

size_t jl_next_window(struct jl_panel *panel, const struct jl_rect *area, struct jl_part *part,
                      uint8_t *out) {
    if (part->area.h && ++part->plane >= panel->format->planes) {
        part->area.h = 0;
        return 0;
    }
    part->area = *area;
    return panel->config->controller->window(panel, part, out);
}
