/* 8-8-8, red first. */
#define BYTES 3
#include "bytes_template.h"

static inline void pack(uint8_t *out, jl_color c) {
    out[0] = jl_color_red(c);
    out[1] = jl_color_green(c);
    out[2] = jl_color_blue(c);
}

static inline jl_color unpack(const uint8_t *in) {
    return JL_RGB(in[0], in[1], in[2]);
}

const struct jl_format jl_rgb888 = BYTES_FORMAT(JL_LAYOUT_RGB666, 8, 8, 8);
