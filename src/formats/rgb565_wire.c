/* 5-6-5, the byte with red first: what goes over the wire. */
#define BYTES 2
#include "bytes_template.h"

#include "rgb565.h"

static inline void pack(uint8_t *out, jl_color c) {
    uint16_t v = jl_rgb565_pack(c);
    out[0] = (uint8_t)(v >> 8);
    out[1] = (uint8_t)v;
}

static inline jl_color unpack(const uint8_t *in) {
    return jl_rgb565_unpack((uint16_t)((unsigned)in[0] << 8 | in[1]));
}

const struct jl_format jl_rgb565 = BYTES_FORMAT(JL_LAYOUT_RGB565, 5, 6, 5);
