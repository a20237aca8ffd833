/* Single pixels: the clip, and the damage. */
#include "dots.h"

#include "../core/lone.h"
#include "../core/rect.h"

bool jl_dots_begin(struct jl_dots *dots, const struct jl_brush *brush, int32_t x0, int32_t y0,
                   int32_t x1, int32_t y1) {
    struct jl_target *t = brush->target;
    int32_t right = (int32_t)t->clip.x + t->clip.w - 1, bottom = (int32_t)t->clip.y + t->clip.h - 1;
    if (t->painter || brush->color == JL_CLEAR || !jl_ops_of(t) || !jl_ops_of(t)->dot) {
        return false;
    }
    bool seen = x0 >= t->clip.x && x1 <= right && y0 >= t->clip.y && y1 <= bottom;
    *dots = (struct jl_dots){
        t, jl_ops_of(t)->dot, brush->ink, t->clip.x, t->clip.y, right, bottom, seen};
    return true;
}

void jl_dots_tell(const struct jl_target *target, struct jl_rect area) {
    struct jl_damage *damage = jl_dots_damage(target);
    /* Whole lines of memory. */
    int16_t beyond = (int16_t)(area.y & ((1 << damage->row_unit_log2) - 1));
    int16_t lines = (int16_t)((area.h + beyond - 1) >> damage->row_unit_log2);
    area.y = (int16_t)(area.y - beyond);
    area.h = (int16_t)((lines + 1) << damage->row_unit_log2);
    damage->add(damage, area, target->patience_px);
}

void jl_dots_changed(const struct jl_dots *dots, int32_t x0, int32_t y0, int32_t x1, int32_t y1) {
    struct jl_rect area = {(int16_t)(x0 < x1 ? x0 : x1), (int16_t)(y0 < y1 ? y0 : y1),
                           (int16_t)((x0 < x1 ? x1 - x0 : x0 - x1) + 1),
                           (int16_t)((y0 < y1 ? y1 - y0 : y0 - y1) + 1)};
    if (jl_dots_damage(dots->target) && (dots->seen || jl_rect_cut(&area, &dots->target->clip))) {
        jl_dots_tell(dots->target, area);
    }
}
