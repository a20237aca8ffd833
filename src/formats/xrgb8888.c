/* 8-8-8 in the processor's own 32-bit words, as display controllers inside microcontrollers read.
 */
#define BYTES 4
#include "bytes_template.h"

/* The unused byte is 0, whatever the transparency of the colour. */
static inline void pack(uint8_t *out, jl_color c) {
    uint32_t v = c & 0xFFFFFF;
    memcpy(out, &v, sizeof v);
}

static inline jl_color unpack(const uint8_t *in) {
    uint32_t v;
    memcpy(&v, in, sizeof v);
    return v & 0xFFFFFF;
}

const struct jl_format jl_xrgb8888 = BYTES_FORMAT(JL_LAYOUT_OTHER, 8, 8, 8);
