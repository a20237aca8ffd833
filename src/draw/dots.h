/* Single pixels of frames: shapes that are made of them tell the damage by pieces. */
#ifndef JADELAMP_SRC_DOTS_H
#define JADELAMP_SRC_DOTS_H

#include "../core/paint.h"
#include "jadelamp/frame.h"

struct jl_dots {
    struct jl_target *target;
    unsigned (*dot)(uint32_t ink, struct jl_target *target, int16_t x, int16_t y);
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
    return dots->dot(dots->ink, dots->target, (int16_t)x, (int16_t)y);
}

/* Who wants to know what was changed; NULL: nobody. What has dots is a frame. */
static inline struct jl_damage *jl_dots_damage(const struct jl_target *target) {
    return ((const struct jl_frame *)target)->damage;
}

/* Tells that pixels of an area within the clip were changed. Only where somebody wants to know. */
void jl_dots_tell(const struct jl_target *target, struct jl_rect area);

/* The same of all between two corners, both included, in any order, that lies within the clip. */
void jl_dots_changed(const struct jl_dots *dots, int32_t x0, int32_t y0, int32_t x1, int32_t y1);

#endif
