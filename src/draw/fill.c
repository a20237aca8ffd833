/* Fills: rectangles, everything. */
#include "../core/lone.h"
#include "../core/paint.h"
#include "../core/rect.h"

void jl_fill_rect(struct jl_target *target, struct jl_rect rect, jl_color color) {
    if (color == JL_CLEAR) {
        return;
    }
    if (target->painter) {
        target->painter->fill(target, rect, color);
    } else if (jl_rect_cut(&rect, &target->clip)) {
        jl_ops_of(target)->fill(target, rect, jl_ink(target, color));
    }
}

void jl_clear(struct jl_target *target, jl_color color) {
    jl_fill_rect(target, jl_paint_visible(target), color);
}
