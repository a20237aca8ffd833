/* Controllers whose address does not go on to the next line: a stretch is a page, or a row. */
#include "jadelamp/panel.h"

#include "../core/lone.h"

size_t jl_next_line(struct jl_panel *panel, const struct jl_rect *area, struct jl_stretch *stretch,
                    uint8_t *out) {
    int16_t top = stretch->area.h ? (int16_t)(stretch->area.y + stretch->area.h) : area->y;
    stretch->area = *area;
    stretch->area.y = top;
    if (top >= area->y + area->h) {
        stretch->area.h = 0;
        return 0;
    }
    stretch->area.h = (int16_t)(1 << jl_format_of(panel)->line_rows_log2);
    return jl_config_of(panel)->controller->window(panel, stretch, out);
}

size_t jl_next_wrapped(struct jl_panel *panel, const struct jl_rect *area,
                       struct jl_stretch *stretch, uint8_t *out) {
    bool wraps = area->w == jl_config_of(panel)->controller->ram_width;
    return (wraps ? jl_next_window : jl_next_line)(panel, area, stretch, out);
}
