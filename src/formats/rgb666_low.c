/* 6-6-6 in three bytes, the bits on the right: what ssd1331 and ssd1351 take. */
#define BYTES 3
#include "bytes_template.h"

static inline void pack(uint8_t *out, jl_color c) {
    out[0] = (uint8_t)jl_channel_pack(jl_color_red(c), 6);
    out[1] = (uint8_t)jl_channel_pack(jl_color_green(c), 6);
    out[2] = (uint8_t)jl_channel_pack(jl_color_blue(c), 6);
}

static inline uint32_t widen(uint8_t v) {
    return (uint32_t)((v & 63) << 2 | (v & 63) >> 4);
}

static inline jl_color unpack(const uint8_t *in) {
    return JL_RGB(widen(in[0]), widen(in[1]), widen(in[2]));
}

const struct jl_format jl_rgb666_low = BYTES_FORMAT(JL_LAYOUT_RGB666_LOW, 6, 6, 6);
