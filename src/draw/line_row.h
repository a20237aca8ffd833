/* Which pixels of a row a line sets: the row's view of jl_draw_line(). */
#ifndef JADELAMP_SRC_LINE_ROW_H
#define JADELAMP_SRC_LINE_ROW_H

#include "jadelamp/shapes.h"

/* The columns first..last, both included, of the line from a to b in row y. False: none. */
bool jl_line_row(struct jl_point a, struct jl_point b, int32_t y, int32_t *first, int32_t *last);

/* The whole part of n / d towards minus infinity; d is positive. */
static inline int64_t jl_floor_divide(int64_t n, int64_t d) {
    int64_t q = n / d;
    return n % d < 0 ? q - 1 : q;
}

#endif
