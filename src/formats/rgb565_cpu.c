/* 5-6-5 in the processor's own order, as display controllers inside microcontrollers read it. */
#define BYTES 2
#include "bytes_template.h"

#include "rgb565.h"

EACH_PIXEL uint32_t pack(jl_color c) {
    uint16_t v = (uint16_t)rgb565_pack(c);
    uint8_t bytes[2];
    memcpy(bytes, &v, sizeof v);
    return load(bytes);
}

EACH_PIXEL jl_color unpack(uint32_t pixel) {
    uint8_t bytes[2];
    uint16_t v;
    store(bytes, pixel);
    memcpy(&v, bytes, sizeof v);
    return rgb565_unpack(v);
}

const struct jl_format jl_rgb565_cpu = BYTES_FORMAT(JL_LAYOUT_RGB565_CPU, 5, 6, 5);
