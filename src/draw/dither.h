/* The ordered dither. */
#ifndef JADELAMP_SRC_DITHER_H
#define JADELAMP_SRC_DITHER_H

#include "jadelamp/color.h"

/* B. E. Bayer, 1973: the 8x8 matrix, built from the bits of x and y instead of a table. */
static inline int jl_bayer(unsigned x, unsigned y) {
    unsigned v = x ^ y;
    return (int)((v & 1) << 5 | (y & 1) << 4 | (v & 2) << 2 | (y & 2) << 1 | (v & 4) >> 1 |
                 (y & 4) >> 2);
}

/* A channel of so many bits (1..8) at a place of the matrix. */
static inline uint32_t jl_dither_channel(uint32_t channel, int threshold, unsigned bits) {
    /* What is added for each (2 B - 63): 255 / (128 (2^n - 1)), in 1/65536, for n of 1 to 8. */
    static const int32_t steps[9] = {0, 130560, 43520, 18651, 8704, 4212, 2072, 1028, 512};
    int32_t value = ((int32_t)channel << 16) + (2 * threshold - 63) * steps[bits] + 32768;
    return value < 0 ? 0 : value >= (int32_t)256 << 16 ? 255 : (uint32_t)value >> 16;
}

#endif
