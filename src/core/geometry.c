/* Rectangle arithmetic. 32-bit inside, so that x + w of any int16_t is exact. */
#include "rect.h"

bool jl_rect_is_empty(struct jl_rect r) {
    return r.w <= 0 || r.h <= 0;
}

static int32_t least(int32_t a, int32_t b) {
    return a < b ? a : b;
}

static int32_t most(int32_t a, int32_t b) {
    return a > b ? a : b;
}

/* Cuts a stretch of an axis to another one. False: they have nothing in common. Without sums, which
 * would need more than 16 bits. */
static bool cut(int16_t *start, int16_t *length, const int16_t *clip_start,
                const int16_t *clip_length) {
    int first = *start, clip_first = *clip_start, count = *length, room = *clip_length;
    if (first < clip_first) {
        unsigned before = (unsigned)clip_first - (unsigned)first;
        if (count <= 0 || (unsigned)count <= before) {
            return false;
        }
        count -= (int)before;
        *start = (int16_t)clip_first;
    } else {
        unsigned behind = (unsigned)first - (unsigned)clip_first;
        if (room <= 0 || (unsigned)room <= behind) {
            return false;
        }
        room -= (int)behind;
    }
    count = count < room ? count : room;
    *length = (int16_t)count;
    return count > 0;
}

bool jl_rect_cut(struct jl_rect *area, const struct jl_rect *clip) {
    if (cut(&area->x, &area->w, &clip->x, &clip->w) &&
        cut(&area->y, &area->h, &clip->y, &clip->h)) {
        return true;
    }
    *area = (struct jl_rect){0, 0, 0, 0};
    return false;
}

struct jl_rect jl_rect_intersect(struct jl_rect a, struct jl_rect b) {
    jl_rect_cut(&a, &b);
    return a;
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
