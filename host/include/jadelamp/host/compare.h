/*
 * Two pictures: where they differ, and whether one is the other shifted, mirrored, turned, in
 * other colours, or two of these.
 */
#ifndef JADELAMP_HOST_COMPARE_H
#define JADELAMP_HOST_COMPARE_H

#include <stdbool.h>

#include "jadelamp/sim/picture.h"

#ifdef __cplusplus
extern "C" {
#endif

struct jl_comparison {
    bool same_size;
    long differing;               /**< pixels; where sizes differ, of what they share */
    int left, top, right, bottom; /**< the box around them, its ends included */
    int most;                     /**< the largest difference of a channel, 0..255 */
    char relation[120];           /**< "mirrored left to right, then ..."; empty: none was found */
    long differing_then;          /**< pixels that still differ */
};

/**
 * Compares B with A. Channels that differ by up to `tolerance` (0..255) count as equal. A relation
 * is looked for where pixels differ: what turns A into B, but for a fiftieth of its pixels. False:
 * no memory.
 */
bool jl_compare(const struct jl_picture *a, const struct jl_picture *b, int tolerance,
                struct jl_comparison *comparison);

/**
 * Counts the pixels that differ by more than a tolerance (0..255) in a channel; pixels that only
 * one of the two has count too.
 *
 * @param difference NULL, or receives a new picture: both dimmed where they
 *        agree, red where only the first is lighter, green where only the
 *        second is; the caller frees it
 */
long jl_picture_compare(const struct jl_picture *a, const struct jl_picture *b, int tolerance,
                        struct jl_picture *difference);

#ifdef __cplusplus
}
#endif

#endif
