/* Rectangle arithmetic. 32-bit inside, so that x + w of any int16_t is exact. */
#include "jadelamp/geometry.h"

bool jl_rect_is_empty(struct jl_rect r) {
    return r.w <= 0 || r.h <= 0;
}

static int32_t least(int32_t a, int32_t b) {
    return a < b ? a : b;
}

static int32_t most(int32_t a, int32_t b) {
    return a > b ? a : b;
}

/* What two stretches of an axis have in common; a stretch of no length has nothing. */
static int32_t common(int32_t a, int32_t a_length, int32_t b, int32_t b_length, int16_t *start) {
    int32_t first = most(a, b);
    *start = (int16_t)first;
    return least(a + a_length, b + b_length) - first;
}

struct jl_rect jl_rect_intersect(struct jl_rect a, struct jl_rect b) {
    struct jl_rect both;
    int32_t w = common(a.x, a.w, b.x, b.w, &both.x);
    int32_t h = common(a.y, a.h, b.y, b.h, &both.y);
    if (w <= 0 || h <= 0) {
        return (struct jl_rect){0, 0, 0, 0};
    }
    both.w = (int16_t)w;
    both.h = (int16_t)h;
    return both;
}

struct jl_rect jl_rect_around(struct jl_rect a, struct jl_rect b) {
    if (jl_rect_is_empty(a)) {
        return b;
    }
    if (jl_rect_is_empty(b)) {
        return a;
    }
    int32_t left = least(a.x, b.x);
    int32_t top = least(a.y, b.y);
    int32_t width = most((int32_t)a.x + a.w, (int32_t)b.x + b.w) - left;
    int32_t height = most((int32_t)a.y + a.h, (int32_t)b.y + b.h) - top;
    return (struct jl_rect){(int16_t)left, (int16_t)top, (int16_t)least(width, INT16_MAX),
                            (int16_t)least(height, INT16_MAX)};
}
