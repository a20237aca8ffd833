/* 5-6-5, the byte with red first: what goes over the wire. */
#define BYTES         2
#define HIGH_FIRST    1
#define WHITE_IS_ONES 0xFFFF
#define MIXES
#include "bytes_template.h"

#include "rgb565.h"

EACH_PIXEL uint32_t pack(jl_color c) {
    return rgb565_pack(c);
}

EACH_PIXEL jl_color unpack(uint32_t v) {
    return rgb565_unpack(v);
}

EACH_PIXEL uint32_t mix(jl_color color, uint32_t below) {
    return rgb565_mix(color, below);
}

#ifdef JL_LANES
EACH_PIXEL void mix_lanes(uint8_t *at, const struct jl_over_lanes *over) {
    rgb565_mix_lanes(at, over, true);
}
#endif

const struct jl_format jl_rgb565 = BYTES_FORMAT(JL_LAYOUT_RGB565, 5, 6, 5);
