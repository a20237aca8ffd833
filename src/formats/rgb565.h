/* 5-6-5 arithmetic, for both byte orders. */
#ifndef JADELAMP_SRC_RGB565_H
#define JADELAMP_SRC_RGB565_H

#include "jadelamp/color.h"

static inline uint32_t jl_rgb565_pack(jl_color c) {
    return (uint32_t)jl_channel_pack(jl_color_red(c), 5) << 11 |
           (uint32_t)jl_channel_pack(jl_color_green(c), 6) << 5 |
           jl_channel_pack(jl_color_blue(c), 5);
}

/* The top bits are repeated below, so that exclusive or works on colours as on the bits. */
static inline jl_color jl_rgb565_unpack(uint32_t v) {
    uint32_t r = v >> 11, g = v >> 5 & 63, b = v & 31;
    return JL_RGB(r << 3 | r >> 2, g << 2 | g >> 4, b << 3 | b >> 2);
}

#endif
