/* One colour for many areas: shapes that are made of small parts. */
#include "../core/lone.h"
#include "../core/paint.h"
#include "../core/rect.h"

struct jl_brush jl_brush_of(struct jl_target *target, jl_color color) {
    bool plain = !target->painter && color != JL_CLEAR && jl_ops_of(target); /* else it is empty */
    return (struct jl_brush){target, color, plain ? jl_ink(target, color) : 0};
}

void jl_brush_fill(const struct jl_brush *brush, struct jl_rect area) {
    struct jl_target *target = brush->target;
    if (brush->color == JL_CLEAR) {
        return;
    }
    if (target->painter) {
        target->painter->fill(target, area, brush->color);
    } else if (jl_rect_cut(&area, &target->clip)) {
        jl_ops_of(target)->fill(target, area, brush->ink);
    }
}
