/* 8-8-8, red first. */
#define BYTES 3
#include "bytes_template.h"

/* Its own inverse: red and blue change places. */
EACH_PIXEL uint32_t pack(jl_color c) {
    return (uint32_t)jl_color_red(c) | (uint32_t)jl_color_green(c) << 8 |
           (uint32_t)jl_color_blue(c) << 16;
}

EACH_PIXEL jl_color unpack(uint32_t v) {
    return pack(v);
}

const struct jl_format jl_rgb888 = BYTES_FORMAT(JL_LAYOUT_RGB666, 8, 8, 8);
