/* 3-3-2. */
#define BYTES 1
#include "bytes_template.h"

EACH_PIXEL uint32_t pack(jl_color c) {
    return (uint32_t)jl_channel_pack(jl_color_red(c), 3) << 5 |
           (uint32_t)jl_channel_pack(jl_color_green(c), 3) << 2 |
           jl_channel_pack(jl_color_blue(c), 2);
}

EACH_PIXEL jl_color unpack(uint32_t v) {
    /* The bits repeated from the top; also v * 255 / 7 to the nearest. */
    static const uint8_t of_3_bits[8] = {0, 36, 73, 109, 146, 182, 219, 255};
    return JL_RGB(of_3_bits[v >> 5], of_3_bits[v >> 2 & 7], (v & 3) * 85u);
}

const struct jl_format jl_rgb332 = BYTES_FORMAT(JL_LAYOUT_RGB332, 3, 3, 2);
