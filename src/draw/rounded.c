/* Rectangles with round corners. */
#include "ellipse.h"
#include "jadelamp/shapes.h"

struct rounded {
    int left, top, right, bottom; /* included; right < left is empty */
    int radius;
    struct jl_ellipse_walk corner;
};

static struct rounded rounded_from(struct jl_rect r, int inset, int radius) {
    struct rounded shape = {r.x + inset,
                            r.y + inset,
                            r.x + r.w - 1 - inset,
                            r.y + r.h - 1 - inset,
                            radius < 0 ? 0 : radius,
                            {0, 0, 0, 0, 0}};
    jl_ellipse_begin(&shape.corner, shape.radius, shape.radius);
    return shape;
}

/* How far the row at a distance from the corner's middle is inset. */
static int inset_at(struct rounded *shape, int dy) {
    return shape->radius - jl_ellipse_half_width(&shape->corner, dy);
}

static void row(struct jl_target *target, const struct rounded *outer, const struct rounded *inner,
                int y, int inset, int inner_inset, jl_color color) {
    int left = outer->left + inset, right = outer->right - inset;
    if (!inner || y < inner->top || y > inner->bottom || inner->left > inner->right) {
        jl_span(target, left, right, y, color);
        return;
    }
    jl_span(target, left, inner->left + inner_inset - 1, y, color);
    jl_span(target, inner->right - inner_inset + 1, right, y, color);
}

static void draw(struct jl_target *target, struct jl_rect rect, int radius, bool stroke,
                 jl_color color) {
    if (jl_rect_is_empty(rect)) {
        return;
    }
    int most = ((rect.w < rect.h ? rect.w : rect.h) - 1) / 2;
    struct rounded outer = rounded_from(rect, 0, radius > most ? most : radius);
    struct rounded inner = rounded_from(rect, 1, outer.radius - 1);
    const struct rounded *hole = stroke ? &inner : NULL;

    /* The straight part, then the rows of the corners, which have their middles in common. */
    int top = outer.top + outer.radius, bottom = outer.bottom - outer.radius;
    for (int y = top; y <= bottom; y++) {
        row(target, &outer, hole, y, 0, 0, color);
    }
    for (int dy = 1; dy <= outer.radius; dy++) {
        int inset = inset_at(&outer, dy);
        int inner_inset = dy <= inner.radius ? inset_at(&inner, dy) : 0;
        row(target, &outer, hole, top - dy, inset, inner_inset, color);
        row(target, &outer, hole, bottom + dy, inset, inner_inset, color);
    }
}

void jl_fill_rounded(struct jl_target *target, struct jl_rect rect, int16_t radius,
                     jl_color color) {
    draw(target, rect, radius, false, color);
}

void jl_stroke_rounded(struct jl_target *target, struct jl_rect rect, int16_t radius,
                       jl_color color) {
    draw(target, rect, radius, true, color);
}
