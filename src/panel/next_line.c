/* Controllers whose address does not go on to the next line: a part is a page, or a row. */
#include "jadelamp/panel.h"

size_t jl_next_line(struct jl_panel *panel, const struct jl_rect *area, struct jl_part *part,
                    uint8_t *out) {
    int16_t top = part->area.h ? (int16_t)(part->area.y + part->area.h) : area->y;
    part->area = *area;
    part->area.y = top;
    if (top >= area->y + area->h) {
        part->area.h = 0;
        return 0;
    }
    part->area.h = (int16_t)(1 << panel->format->line_rows_log2);
    return panel->config->controller->window(panel, part, out);
}

size_t jl_next_wrapped(struct jl_panel *panel, const struct jl_rect *area, struct jl_part *part,
                       uint8_t *out) {
    bool wraps = area->w == panel->config->controller->ram_width;
    return (wraps ? jl_next_window : jl_next_line)(panel, area, part, out);
}
