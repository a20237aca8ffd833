/*
 * Damage rectangles. Invariant: no two of them can be joined for the price of a
 * window, unless all places were taken at some moment.
 */
#include "jadelamp/damage.h"

static int32_t area_px(struct jl_rect r)
{
    return (int32_t)r.w * r.h;
}

/* Pixels that a join would send in vain; negative when the two overlap much. */
static int32_t waste_px(struct jl_rect a, struct jl_rect b)
{
    return area_px(jl_rect_around(a, b)) - area_px(a) - area_px(b);
}

void jl_damage_clear(struct jl_damage *damage)
{
    damage->count = 0;
}

void jl_damage_add(struct jl_damage *damage, struct jl_rect area)
{
    if (jl_rect_is_empty(area)) {
        return;
    }
    uint8_t i = 0;
    while (i < damage->count) {
        bool full = damage->count == JL_DAMAGE_RECTS;
        if (waste_px(damage->rects[i], area) <= damage->window_price_px) {
            /* Take it out and start again: the greater rectangle may now reach others. */
            area = jl_rect_around(damage->rects[i], area);
            damage->rects[i] = damage->rects[--damage->count];
            i = 0;
        } else if (full && i == JL_DAMAGE_RECTS - 1) {
            uint8_t best = 0;
            for (uint8_t k = 1; k < JL_DAMAGE_RECTS; k++) {
                if (waste_px(damage->rects[k], area) < waste_px(damage->rects[best], area)) {
                    best = k;
                }
            }
            area = jl_rect_around(damage->rects[best], area);
            damage->rects[best] = damage->rects[--damage->count];
            i = 0;
        } else {
            i++;
        }
    }
    damage->rects[damage->count++] = area;
}
