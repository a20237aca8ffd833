/* Columns that a controller can only be sent together. */
#ifndef JADELAMP_SRC_UNITS_H
#define JADELAMP_SRC_UNITS_H

#include "jadelamp/panel.h"

/* An area with its columns grown to whole units. */
static inline struct jl_rect jl_whole_units(const struct jl_panel *panel,
                                            const struct jl_rect *area) {
    int mask = panel->config->controller->column_unit - 1;
    int left = area->x & ~mask;
    int right = (area->x + area->w + mask) & ~mask;
    return (struct jl_rect){(int16_t)left, area->y, (int16_t)(right - left), area->h};
}

#endif
