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

struct jl_rect jl_rect_intersect(struct jl_rect a, struct jl_rect b) {
    struct jl_rect none = {0, 0, 0, 0};
    if (jl_rect_is_empty(a) || jl_rect_is_empty(b)) {
        return none;
    }
    int32_t left = most(a.x, b.x);
    int32_t top = most(a.y, b.y);
    int32_t right = least((int32_t)a.x + a.w, (int32_t)b.x + b.w);
    int32_t bottom = least((int32_t)a.y + a.h, (int32_t)b.y + b.h);
    if (left >= right || top >= bottom) {
        return none;
    }
    return (struct jl_rect){(int16_t)left, (int16_t)top, (int16_t)(right - left),
                            (int16_t)(bottom - top)};
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
