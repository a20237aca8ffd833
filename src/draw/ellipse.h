/* Half widths of an ellipse's rows, and spans; shared by ellipses, rounded rectangles and rings. */
#ifndef JADELAMP_SRC_ELLIPSE_H
#define JADELAMP_SRC_ELLIPSE_H

#include "jadelamp/draw.h"

struct jl_ellipse_walk {
    uint64_t a2, b2;
    int32_t half_width, rx, ry;
};

/* Negative axes make an empty ellipse. */
void jl_ellipse_begin(struct jl_ellipse_walk *walk, int32_t rx, int32_t ry);

/* Half width at |dy|, which must not go down from call to call; -1 when the row is empty. */
int32_t jl_ellipse_half_width(struct jl_ellipse_walk *walk, int32_t dy);

struct jl_brush;

/* The same with a brush. */
void jl_brush_span(const struct jl_brush *brush, int32_t left, int32_t right, int32_t y);

/* A row of pixels from left to right, both included, of any coordinates. */
void jl_span(struct jl_target *target, int32_t left, int32_t right, int32_t y, jl_color color);

#endif
