/* The outline of a rectangle, as four fills that do not overlap. */
#include "jadelamp/draw.h"

/* A side at coordinate `at`, left out when it lies past the range of coordinates. */
static void side(struct jl_target *target, int32_t x, int32_t y, int16_t w, int16_t h,
                 jl_color color) {
    if (x <= INT16_MAX && y <= INT16_MAX) {
        jl_fill_rect(target, (struct jl_rect){(int16_t)x, (int16_t)y, w, h}, color);
    }
}

void jl_stroke_rect(struct jl_target *target, struct jl_rect rect, jl_color color) {
    if (jl_rect_is_empty(rect)) {
        return;
    }
    int16_t inner_h = (int16_t)(rect.h - 2);
    side(target, rect.x, rect.y, rect.w, 1, color);
    if (rect.h > 1) {
        side(target, rect.x, (int32_t)rect.y + rect.h - 1, rect.w, 1, color);
    }
    side(target, rect.x, (int32_t)rect.y + 1, 1, inner_h, color);
    if (rect.w > 1) {
        side(target, (int32_t)rect.x + rect.w - 1, (int32_t)rect.y + 1, 1, inner_h, color);
    }
}
