/*
 * Damage rectangles. Invariant: no two of them can be joined for the price of a
 * window, unless all places were taken at some moment.
 */
#include "jadelamp/damage.h"

#include <stddef.h>

static int32_t area_px(const struct jl_rect *r) {
    return (int32_t)r->w * r->h;
}

static void add(struct jl_damage *damage, struct jl_rect area) {
    if (jl_rect_is_empty(area)) {
        return;
    }
    while (damage->count) {
        struct jl_rect best_join = area;
        int32_t best_waste = INT32_MAX;
        uint8_t best = 0;
        for (uint8_t i = 0; i < damage->count; i++) {
            struct jl_rect join = jl_rect_around(damage->rects[i], area);
            /* Pixels that a join would send in vain; negative when the two overlap much. */
            int32_t waste = area_px(&join) - area_px(&damage->rects[i]) - area_px(&area);
            if (waste < best_waste) {
                best_waste = waste;
                best_join = join;
                best = i;
            }
        }
        if (best_waste > damage->window_price_px && damage->count < JL_DAMAGE_RECTS) {
            break;
        }
        /* Taken out and tried again: the greater rectangle may now reach others. */
        area = best_join;
        damage->rects[best] = damage->rects[--damage->count];
    }
    damage->rects[damage->count++] = area;
}

void jl_damage_init(struct jl_damage *damage, uint16_t window_price_px, uint8_t row_unit_log2) {
    damage->add = add;
    damage->window_price_px = window_price_px;
    damage->row_unit_log2 = row_unit_log2;
    damage->count = 0;
    damage->second_plane = true;
    damage->panel = NULL;
    damage->shadow = NULL;
}

void jl_damage_clear(struct jl_damage *damage) {
    damage->count = 0;
}

void jl_damage_add(struct jl_damage *damage, struct jl_rect area) {
    int32_t unit = (int32_t)1 << damage->row_unit_log2;
    int32_t top = area.y & -unit;
    int32_t end = ((int32_t)area.y + area.h + unit - 1) & -unit;
    if (!jl_rect_is_empty(area)) {
        damage->second_plane = true; /* nobody said which plane it is */
        area.y = (int16_t)top;
        area.h = (int16_t)(end - top < INT16_MAX ? end - top : INT16_MAX);
        add(damage, area);
    }
}
