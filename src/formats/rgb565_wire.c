/* 5-6-5, the byte with red first: what goes over the wire. */
#define BYTES 2
#include "bytes_template.h"

#include "rgb565.h"

static inline uint32_t swapped(uint32_t v) {
    return (v >> 8 | v << 8) & 0xFFFF;
}

static inline uint32_t pack(jl_color c) {
    return swapped(jl_rgb565_pack(c));
}

static inline jl_color unpack(uint32_t v) {
    return jl_rgb565_unpack(swapped(v));
}

const struct jl_format jl_rgb565 = BYTES_FORMAT(JL_LAYOUT_RGB565, 5, 6, 5);
