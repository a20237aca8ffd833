/* Rectangles with round corners. */
#include "../core/paint.h"

#include "ellipse.h"
#include "jadelamp/shapes.h"

struct rounded {
    struct jl_target *target;
    int32_t left, right; /* included */
    bool stroke;
    jl_color color;
};

/*
 * A row that is inset by so much, and whose neighbour further out is inset by `next`, or
 * does not exist (next < 0). The outline is what touches the outside at one of four sides.
 */
static void row(const struct rounded *shape, int32_t y, int32_t inset, int32_t next) {
    int32_t left = shape->left + inset, right = shape->right - inset;
    int32_t hole_inset = next > inset + 1 ? next : inset + 1;
    int32_t hole_left = shape->left + hole_inset, hole_right = shape->right - hole_inset;
    if (!shape->stroke || next < 0 || hole_left > hole_right) {
        jl_span(shape->target, left, right, y, shape->color);
        return;
    }
    jl_span(shape->target, left, hole_left - 1, y, shape->color);
    jl_span(shape->target, hole_right + 1, right, y, shape->color);
}

static void draw(struct jl_target *target, struct jl_rect rect, int32_t radius, bool stroke,
                 jl_color color) {
    if (jl_rect_is_empty(rect)) {
        return;
    }
    jl_shape_begins(target, rect.w, rect.h);
    struct rounded shape = {target, rect.x, (int32_t)rect.x + rect.w - 1, stroke, color};
    int32_t most = ((rect.w < rect.h ? rect.w : rect.h) - 1) / 2;
    radius = radius > most ? most : radius < 0 ? 0 : radius;
    struct jl_ellipse_walk corner;
    jl_ellipse_begin(&corner, radius, radius);

    /* The straight part, then the rows of the corners outwards, upper and lower in pairs. */
    int32_t top = rect.y + radius, bottom = (int32_t)rect.y + rect.h - 1 - radius;
    int32_t inset = 0;
    int32_t next = radius > 0 ? radius - jl_ellipse_half_width(&corner, 1) : -1;
    for (int32_t y = top; y <= bottom; y++) {
        row(&shape, y, 0, y == top || y == bottom ? next : 0);
    }
    for (int32_t dy = 1; dy <= radius; dy++) {
        inset = next;
        next = dy < radius ? radius - jl_ellipse_half_width(&corner, dy + 1) : -1;
        row(&shape, top - dy, inset, next);
        row(&shape, bottom + dy, inset, next);
    }
    jl_shape_ends(target);
}

void jl_fill_rounded(struct jl_target *target, struct jl_rect rect, int16_t radius,
                     jl_color color) {
    draw(target, rect, radius, false, color);
}

void jl_stroke_rounded(struct jl_target *target, struct jl_rect rect, int16_t radius,
                       jl_color color) {
    draw(target, rect, radius, true, color);
}
