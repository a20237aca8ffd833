/* 6-6-6 in three bytes, the bits on the left: what MIPI DCS parts take on SPI. */
#define BYTES 3
#include "bytes_template.h"

EACH_PIXEL uint32_t pack(jl_color c) {
    return (uint32_t)jl_channel_pack(jl_color_red(c), 6) << 2 |
           (uint32_t)jl_channel_pack(jl_color_green(c), 6) << 10 |
           (uint32_t)jl_channel_pack(jl_color_blue(c), 6) << 18;
}

EACH_PIXEL jl_color unpack(uint32_t v) {
    return JL_RGB((v & 255) | (v & 255) >> 6, (v >> 8 & 255) | (v >> 8 & 255) >> 6,
                  v >> 16 | v >> 22);
}

const struct jl_format jl_rgb666 = BYTES_FORMAT(JL_LAYOUT_RGB666, 6, 6, 6);
