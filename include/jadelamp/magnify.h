/*
 * Drawing larger: a target of which each pixel is a square on another one. Any font, bitmap,
 * picture or shape is drawn on it as usual.
 */
#ifndef JADELAMP_MAGNIFY_H
#define JADELAMP_MAGNIFY_H

#include "jadelamp/target.h"

#ifdef __cplusplus
extern "C" {
#endif

struct jl_magnified {
    struct jl_target target; /**< draw on this; cannot be read back */
    struct jl_target *to;
    int16_t x, y; /**< of its (0, 0) there */
    uint8_t factor;
};

/**
 * Begins to draw larger on a target, from (x, y) on to its right and lower edge. Clip, turn
 * and mode of that target hold; set them there. Nothing is to be ended.
 *
 * @param to the caller's, as long as the magnified one is used
 * @param factor 1..255; 0 counts as 1
 */
void jl_magnify(struct jl_magnified *magnified, struct jl_target *to, int16_t x, int16_t y,
                uint8_t factor);

#ifdef __cplusplus
}
#endif

#endif
