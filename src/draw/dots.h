/* Single pixels of frames: shapes that are made of them tell the damage by pieces. */
#ifndef JADELAMP_SRC_DOTS_H
#define JADELAMP_SRC_DOTS_H

#include "../core/paint.h"
#include "jadelamp/frame.h"

struct jl_dots {
    struct jl_target *target;
    unsigned (*dot)(struct jl_target *target, int16_t x, int16_t y, uint32_t ink);
    uint32_t ink;
    int32_t left, top, right, bottom; /* of the clip, all included */
    bool seen;                        /* all of the shape lies within it */
};

/* For a shape that lies between two corners, both included. False: the target has no dots, or is
 * turned. */
bool jl_dots_begin(struct jl_dots *dots, const struct jl_brush *brush, int32_t x0, int32_t y0,
                   int32_t x1, int32_t y1);

/* Sets a pixel if it lies within the clip. Not 0: it was changed. Compilers for size had better not
 * call it: it is called for each pixel. */
#ifdef __GNUC__
__attribute__((always_inline))
#endif
static inline unsigned
jl_dots_set(const struct jl_dots *dots, int32_t x, int32_t y) {
    if (!dots->seen && (x < dots->left || x > dots->right || y < dots->top || y > dots->bottom)) {
        return 0;
    }
    return dots->dot(dots->target, (int16_t)x, (int16_t)y, dots->ink);
}

/* Tells that pixels were changed between two corners, both included, in any order. What has dots is
 * a frame. */
void jl_dots_changed(struct jl_target *target, int32_t x0, int32_t y0, int32_t x1, int32_t y1);

#endif
