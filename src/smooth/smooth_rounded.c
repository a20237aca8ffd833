/* Rounded rectangles and their frames. */
#include "cut.h"

struct rounded {
    int32_t left, right, top, bottom; /* columns, lines */
    int32_t radius;                   /* lines */
    int32_t width;                    /* of the frame, lines; 0: solid */
};

/* The span of the rectangle that is smaller by so many lines at all sides. False: none. */
static bool span_at(const struct rounded *r, int32_t y, int32_t less, int32_t *from, int32_t *to) {
    int32_t top = r->top + less, bottom = r->bottom - less;
    int32_t radius = r->radius > less ? r->radius - less : 0;
    *from = r->left + less * 8;
    *to = r->right - less * 8;
    if (y < top || y >= bottom || *from >= *to) {
        return false;
    }
    int32_t away = y < top + radius      ? top + radius - y
                   : y > bottom - radius ? y - bottom + radius
                                         : 0;
    if (away > 0) {
        int32_t missing = radius * 8 - jl_disc_reach((uint32_t)radius, away);
        *from += missing;
        *to -= missing;
    }
    return *from < *to;
}

static void cut(const void *context, int32_t y, struct jl_cut *out) {
    const struct rounded *r = context;
    int32_t from, to, inner_from, inner_to;
    if (!span_at(r, y, 0, &from, &to)) {
        return;
    }
    if (r->width && span_at(r, y, r->width, &inner_from, &inner_to)) {
        jl_cut_add(out, from, inner_from);
        from = inner_to;
    }
    jl_cut_add(out, from, to);
}

/* Straight between the corners; the inner corners are the tighter ones. */
static int32_t aside(const void *context, int32_t top, int32_t bottom) {
    const struct rounded *r = context;
    int32_t radius = r->radius > r->width ? r->radius : r->width;
    if (top > r->top + radius && bottom < r->bottom - radius) {
        return JL_CUT_STRAIGHT;
    }
    return jl_disc_aside(r->radius > r->width ? r->radius - r->width : 0, bottom - top);
}

static void paint(struct jl_target *target, struct jl_rect rect, int16_t radius, int16_t width,
                  jl_color ink, jl_color paper) {
    int32_t shorter = rect.w < rect.h ? rect.w : rect.h;
    int32_t cut_radius = radius < 0 ? 0 : 2 * radius > shorter ? shorter : 2 * (int32_t)radius;
    struct rounded r = {.left = rect.x * (int32_t)16,
                        .right = ((int32_t)rect.x + rect.w) * 16,
                        .top = rect.y * (int32_t)2,
                        .bottom = ((int32_t)rect.y + rect.h) * 2,
                        .radius = cut_radius,
                        .width = width * (int32_t)2};
    if (rect.w <= 0 || rect.h <= 0) {
        return;
    }
    int32_t corner = r.radius > r.width ? r.radius : r.width;
    jl_smooth_paint(target,
                    &(struct jl_smooth_shape){.cut = cut,
                                              .aside = aside,
                                              .context = &r,
                                              .left = r.left,
                                              .right = r.right,
                                              .top = r.top,
                                              .bottom = r.bottom,
                                              .level_top = r.top + corner,
                                              .level_bottom = r.bottom - corner,
                                              .mirrored = true},
                    ink, paper);
}

void jl_smooth_rounded(struct jl_target *target, struct jl_rect rect, int16_t radius, jl_color ink,
                       jl_color paper) {
    paint(target, rect, radius, 0, ink, paper);
}

void jl_smooth_rounded_frame(struct jl_target *target, struct jl_rect rect, int16_t radius,
                             int16_t width, jl_color ink, jl_color paper) {
    if (width > 0) {
        paint(target, rect, radius, width, ink, paper);
    }
}
