/* Controllers whose address goes on from line to line: one window, or one for each plane. */
#include "jadelamp/panel.h"

#include "../core/lone.h"

size_t jl_next_window(struct jl_panel *panel, const struct jl_rect *area,
                      struct jl_stretch *stretch, uint8_t *out) {
    if (stretch->area.h && ++stretch->plane >= jl_format_of(panel)->planes) {
        stretch->area.h = 0;
        return 0;
    }
    stretch->area = *area;
    return jl_config_of(panel)->controller->window(panel, stretch, out);
}
