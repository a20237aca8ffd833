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

/* Cuts a stretch of an axis to another one. False: they have nothing in common. */
#if SIZE_MAX > UINT16_MAX
static bool cut(int16_t *start, int16_t *length, const int16_t *clip_start,
                const int16_t *clip_length) {
    int32_t first = most(*start, *clip_start);
    int32_t end = least((int32_t)*start + *length, (int32_t)*clip_start + *clip_length);
    *start = (int16_t)first;
    *length = (int16_t)(end - first);
    return end > first;
}
#else
/* Where sums of 32 bits are dear: by differences without a sign, which fit 16. */
static bool cut(int16_t *start, int16_t *length, const int16_t *clip_start,
                const int16_t *clip_length) {
    int16_t count = *length, room = *clip_length;
    if (*start < *clip_start) {
        uint16_t before = (uint16_t)((uint16_t)*clip_start - (uint16_t)*start);
        if (count <= 0 || (uint16_t)count <= before) {
            return false;
        }
        count = (int16_t)(count - (int16_t)before);
        *start = *clip_start;
    } else {
        uint16_t behind = (uint16_t)((uint16_t)*start - (uint16_t)*clip_start);
        if (room <= 0 || (uint16_t)room <= behind) {
            return false;
        }
        room = (int16_t)(room - (int16_t)behind);
    }
    *length = count < room ? count : room;
    return *length > 0;
}
#endif

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
