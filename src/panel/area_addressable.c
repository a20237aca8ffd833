/* Areas that callers choose. */
#include "area.h"
#include "units.h"

void jl_area_grow(const struct jl_panel *panel, struct jl_rect *area) {
    int mask = (1 << panel->format->line_rows_log2) - 1;
    int top = area->y & ~mask;
    *area = jl_whole_units(panel, area);
    area->h = (int16_t)(((area->y + area->h + mask) & ~mask) - top);
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
    /* Below the glass a page may go on, and at its right the last byte of a row. */
    return grown.x == area.x && grown.y == area.y &&
           (grown.w == area.w || area.x + area.w == panel->width) &&
           (grown.h == area.h || area.y + area.h == panel->height);
}
