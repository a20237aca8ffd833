/* The mean of colours, of which some are clear. */
#ifndef JADELAMP_SRC_MEAN_H
#define JADELAMP_SRC_MEAN_H

#include "jadelamp/color.h"

enum { JL_MEAN_MOST = 64 * 64 }; /* colours: sums fit 32 bits */

struct jl_mean {
    uint32_t red, green, blue, opacity; /* colours count as much as is there of them */
    uint32_t count;
};

static inline void jl_mean_add(struct jl_mean *mean, jl_color color) {
    uint32_t opacity = 255 - (color >> 24);
    mean->red += jl_color_red(color) * opacity;
    mean->green += jl_color_green(color) * opacity;
    mean->blue += jl_color_blue(color) * opacity;
    mean->opacity += opacity;
    mean->count++;
}

/* Each channel to the nearest. */
static inline jl_color jl_mean_of(const struct jl_mean *mean) {
    uint32_t all = mean->opacity, half = all / 2;
    if (!all) {
        return JL_CLEAR;
    }
    uint32_t there = (all + mean->count / 2) / mean->count;
    return there ? JL_RGB((mean->red + half) / all, (mean->green + half) / all,
                          (mean->blue + half) / all) |
                       (255 - there) << 24
                 : JL_CLEAR;
}

#endif
