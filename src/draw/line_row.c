/*
 * A line seen row by row. By the definition in draw.h: along the longer axis each step
 * has one pixel, the other coordinate is floor(exact + 1/2).
 */
#include "line_row.h"

bool jl_line_row(struct jl_point a, struct jl_point b, int32_t y, int32_t *first, int32_t *last) {
    if (a.y > b.y) {
        struct jl_point other = a;
        a = b;
        b = other;
    }
    if (y < a.y || y > b.y) {
        return false;
    }
    int64_t dx = (int64_t)b.x - a.x, dy = (int64_t)b.y - a.y;
    int64_t reach = dx < 0 ? -dx : dx;
    if (reach < dy) {
        /* Steep: the one column floor(x + 1/2) at this row. */
        *first = *last =
            (int32_t)(a.x + jl_floor_divide((int64_t)(2 * (y - a.y)) * dx + dy, 2 * dy));
        return true;
    }
    if (dy == 0) {
        *first = a.x < b.x ? a.x : b.x;
        *last = a.x < b.x ? b.x : a.x;
        return true;
    }
    /*
     * Flat: the columns k steps from a whose row floor(k dy / reach + 1/2) is y - a.y = r:
     * (2 r - 1) reach <= 2 k dy < (2 r + 1) reach, within 0..reach.
     */
    int64_t r = y - a.y;
    int64_t from = -jl_floor_divide(-(2 * r - 1) * reach, 2 * dy);
    int64_t to = -jl_floor_divide(-(2 * r + 1) * reach, 2 * dy) - 1;
    from = from < 0 ? 0 : from;
    to = to > reach ? reach : to;
    if (from > to) {
        return false;
    }
    *first = (int32_t)(dx < 0 ? a.x - to : a.x + from);
    *last = (int32_t)(dx < 0 ? a.x - from : a.x + to);
    return true;
}
