/* Areas that callers choose. */
#include "area.h"

void jl_area_grow(const struct jl_panel *panel, struct jl_rect *area) {
    int lines_mask = (1 << panel->format->line_rows_log2) - 1;
    int unit_mask = panel->config->controller->column_unit - 1;
    int left = area->x & ~unit_mask, top = area->y & ~lines_mask;
    area->w = (int16_t)(((area->x + area->w + unit_mask) & ~unit_mask) - left);
    area->h = (int16_t)(((area->y + area->h + lines_mask) & ~lines_mask) - top);
    area->x = (int16_t)left;
    area->y = (int16_t)top;
}

bool jl_area_addressable(const struct jl_panel *panel, struct jl_rect area) {
    /* First what would leave the range of numbers. */
    if (area.x < 0 || area.y < 0 || area.w < 1 || area.h < 1 || area.x > panel->width - area.w ||
        area.y > panel->height - area.h) {
        return false;
    }
    struct jl_rect grown = area;
    jl_area_grow(panel, &grown);
    return grown.x == area.x && grown.y == area.y && grown.w == area.w && grown.h == area.h;
}
