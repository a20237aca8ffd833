/* Columns that a controller can only be sent together. */
#ifndef JADELAMP_SRC_UNITS_H
#define JADELAMP_SRC_UNITS_H

#include "../core/lone.h"
#include "jadelamp/panel.h"

/* How many columns go together: on e-paper a byte. */
static inline unsigned jl_unit(const struct jl_panel *panel) {
    const struct jl_controller *controller = jl_config_of(panel)->controller;
    return controller->paper ? 8 : controller->column_unit;
}

/* An area with its columns grown to whole units. */
static inline struct jl_rect jl_whole_units(const struct jl_panel *panel,
                                            const struct jl_rect *area) {
    int mask = (int)jl_unit(panel) - 1;
    int left = area->x & ~mask;
    int right = (area->x + area->w + mask) & ~mask;
    return (struct jl_rect){(int16_t)left, area->y, (int16_t)(right - left), area->h};
}

/* The same for whoever makes pixels for it: lines, where they go whole only. */
static inline struct jl_rect jl_whole_lines(const struct jl_panel *panel, struct jl_rect area) {
    if (jl_config_of(panel)->controller->whole_lines) {
        area.x = 0;
        area.w = panel->width;
    }
    return area;
}

#endif
