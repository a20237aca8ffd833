/* 6-6-6 in three bytes, the bits on the left: what MIPI DCS parts take on SPI. */
#define BYTES 3
#include "bytes_template.h"

static inline void pack(uint8_t *out, jl_color c) {
    out[0] = (uint8_t)(jl_channel_pack(jl_color_red(c), 6) << 2);
    out[1] = (uint8_t)(jl_channel_pack(jl_color_green(c), 6) << 2);
    out[2] = (uint8_t)(jl_channel_pack(jl_color_blue(c), 6) << 2);
}

static inline jl_color unpack(const uint8_t *in) {
    return JL_RGB(in[0] | in[0] >> 6, in[1] | in[1] >> 6, in[2] | in[2] >> 6);
}

const struct jl_format jl_rgb666 = BYTES_FORMAT(JL_LAYOUT_RGB666, 6, 6, 6);
