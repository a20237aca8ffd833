/* An example that draws on a frame; examples/drawing_desktop.c writes what it shows. */
#ifndef JADELAMP_EXAMPLE_DRAWING_H
#define JADELAMP_EXAMPLE_DRAWING_H

#include "jadelamp/jadelamp.h"

struct drawing {
    const struct jl_format *format;
    int16_t width, height;
    int steps; /* pictures side by side */
    int scale; /* pixels of the PNG for one of the frame */
    /* Draws step 0, 1, ... on the same frame. */
    void (*draw)(struct jl_frame *frame, int step);
};

extern const struct drawing drawing;

#endif
