/* A line with a width, as a thing that is cut. */
#ifndef JADELAMP_SRC_STROKE_H
#define JADELAMP_SRC_STROKE_H

#include "cut.h"

struct jl_stroke {
    struct jl_side sides[4];
    int32_t end_y[2], end_x[2]; /* lines, columns */
    int32_t radius;             /* half of the width, lines */
    bool round[2];              /* ends */
    int32_t top, bottom;        /* lines that it lies within */
};

/* Sixteenths; the width at least 1. */
void jl_stroke_begin(struct jl_stroke *stroke, struct jl_point a, struct jl_point b, int32_t width,
                     bool round_a, bool round_b);

/* Adds its span at a line. */
void jl_stroke_cut(const struct jl_stroke *stroke, int32_t y, struct jl_cut *cut);

/* How far aside its sides may go in a band; round ends are parts of them. */
int32_t jl_stroke_aside(const struct jl_stroke *stroke, int32_t top, int32_t bottom);

/* A width as it counts on a target: hard lines are at least a pixel wide. */
int32_t jl_stroke_width(const struct jl_target *target, jl_color paper, int16_t width);

#endif
