/* 8-8-8 in the processor's own 32-bit words, as display controllers inside microcontrollers read.
 */
#define BYTES 4
#include "bytes_template.h"

/* The unused byte is 0, whatever the transparency of the colour. */
/* The unused byte is 0, whatever the transparency of the colour. */
EACH_PIXEL uint32_t pack(jl_color c) {
    uint32_t v = c & 0xFFFFFF;
    uint8_t bytes[4];
    memcpy(bytes, &v, sizeof v);
    return load(bytes);
}

EACH_PIXEL jl_color unpack(uint32_t pixel) {
    uint8_t bytes[4];
    uint32_t v;
    store(bytes, pixel);
    memcpy(&v, bytes, sizeof v);
    return v & 0xFFFFFF;
}

const struct jl_format jl_xrgb8888 = BYTES_FORMAT(JL_LAYOUT_OTHER, 8, 8, 8);
