/* 5-6-5 in the processor's own order, as display controllers inside microcontrollers read it. */
#define BYTES 2
#include "bytes_template.h"

#include "rgb565.h"

static inline void pack(uint8_t *out, jl_color c) {
    uint16_t v = jl_rgb565_pack(c);
    memcpy(out, &v, sizeof v);
}

static inline jl_color unpack(const uint8_t *in) {
    uint16_t v;
    memcpy(&v, in, sizeof v);
    return jl_rgb565_unpack(v);
}

const struct jl_format jl_rgb565_cpu = BYTES_FORMAT(JL_LAYOUT_RGB565_CPU, 5, 6, 5);
