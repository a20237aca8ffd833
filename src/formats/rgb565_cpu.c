/* 5-6-5 in the processor's own order, as display controllers inside microcontrollers read it. */
#define BYTES         2
#define WHITE_IS_ONES 0xFFFF
#define MIXES
#include "bytes_template.h"

#include "rgb565.h"

/* From the order of the bytes to that of the processor, or back: the same, since there are two. */
EACH_PIXEL uint32_t as_stored(uint32_t value) {
    uint16_t v = (uint16_t)value;
    uint8_t bytes[2];
    memcpy(bytes, &v, sizeof v);
    return load(bytes);
}

EACH_PIXEL uint32_t pack(jl_color c) {
    return as_stored(rgb565_pack(c));
}

EACH_PIXEL jl_color unpack(uint32_t pixel) {
    return rgb565_unpack(as_stored(pixel));
}

EACH_PIXEL uint32_t mix(jl_color color, uint32_t below) {
    return as_stored(rgb565_mix(color, as_stored(below)));
}

#ifdef JL_LANES
EACH_PIXEL void mix_lanes(uint8_t *at, const struct jl_over_lanes *over) {
    rgb565_mix_lanes(at, over, false);
}
#endif

const struct jl_format jl_rgb565_cpu = BYTES_FORMAT(JL_LAYOUT_RGB565_CPU, 5, 6, 5);
