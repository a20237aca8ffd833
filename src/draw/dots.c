/* Single pixels: the clip, and the damage. */
#include "dots.h"

#include "../core/rect.h"

bool jl_dots_begin(struct jl_dots *dots, const struct jl_brush *brush, int32_t x0, int32_t y0,
                   int32_t x1, int32_t y1) {
    struct jl_target *t = brush->target;
    int32_t right = (int32_t)t->clip.x + t->clip.w - 1, bottom = (int32_t)t->clip.y + t->clip.h - 1;
    if (t->painter || brush->color == JL_CLEAR || !t->ops || !t->ops->dot) {
        return false;
    }
    bool seen = x0 >= t->clip.x && x1 <= right && y0 >= t->clip.y && y1 <= bottom;
    *dots = (struct jl_dots){t, t->ops->dot, brush->ink, t->clip.x, t->clip.y, right, bottom, seen};
    return true;
}

void jl_dots_changed(struct jl_target *target, int32_t x0, int32_t y0, int32_t x1, int32_t y1) {
    struct jl_damage *damage = ((struct jl_frame *)target)->damage;
    if (!damage) {
        return;
    }
    struct jl_rect corner = {(int16_t)(x0 < x1 ? x0 : x1), (int16_t)(y0 < y1 ? y0 : y1),
                             (int16_t)((x0 < x1 ? x1 - x0 : x0 - x1) + 1),
                             (int16_t)((y0 < y1 ? y1 - y0 : y0 - y1) + 1)};
    if (jl_rect_cut(&corner, &target->clip)) {
        /* Whole lines of memory. */
        int16_t beyond = (int16_t)(corner.y & ((1 << damage->row_unit_log2) - 1));
        int16_t lines = (int16_t)((corner.h + beyond - 1) >> damage->row_unit_log2);
        corner.y = (int16_t)(corner.y - beyond);
        corner.h = (int16_t)((lines + 1) << damage->row_unit_log2);
        damage->add(damage, corner, target->patience_px);
    }
}
