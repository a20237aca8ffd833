/* Areas that callers choose. */
#include "../core/lone.h"
#include "area.h"
#include "units.h"

void jl_area_grow(const struct jl_panel *panel, struct jl_rect *area) {
    int mask = (1 << jl_format_of(panel)->line_rows_log2) - 1;
    int top = area->y & ~mask;
    *area = jl_whole_units(panel, area);
    area->h = (int16_t)(((area->y + area->h + mask) & ~mask) - top);
    area->y = (int16_t)top;
}

/* Whether a stretch of a side lies within it, begins with a unit, and ends with one or where the
 * side does. */
static bool is_whole(int at, int length, int side, unsigned mask) {
    unsigned end = (unsigned)at + (unsigned)length;
    return length > 0 && at >= 0 && end <= (unsigned)side && !((unsigned)at & mask) &&
           (!(end & mask) || end == (unsigned)side);
}

bool jl_area_addressable(const struct jl_panel *panel, struct jl_rect area) {
    /* Below the glass a page may go on, and at its right the last byte of a row. */
    return is_whole(area.y, area.h, panel->height,
                    (1u << jl_format_of(panel)->line_rows_log2) - 1) &&
           is_whole(area.x, area.w, panel->width, jl_unit(panel) - 1) &&
           (!jl_config_of(panel)->controller->whole_lines || area.w == panel->width);
}
