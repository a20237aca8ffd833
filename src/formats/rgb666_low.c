/* 6-6-6 in three bytes, the bits on the right: what ssd1331 and ssd1351 take. */
#define BYTES 3
#include "bytes_template.h"

EACH_PIXEL uint32_t pack(jl_color c) {
    return jl_channel_pack(jl_color_red(c), 6) |
           (uint32_t)jl_channel_pack(jl_color_green(c), 6) << 8 |
           (uint32_t)jl_channel_pack(jl_color_blue(c), 6) << 16;
}

EACH_PIXEL uint32_t widen(uint32_t v) {
    return (v & 63) << 2 | (v & 63) >> 4;
}

EACH_PIXEL jl_color unpack(uint32_t v) {
    return JL_RGB(widen(v), widen(v >> 8), widen(v >> 16));
}

const struct jl_format jl_rgb666_low = BYTES_FORMAT(JL_LAYOUT_RGB666_LOW, 6, 6, 6);
