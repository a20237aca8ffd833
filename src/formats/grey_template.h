/* Greys of BITS bits: bits_template.h with the luminance of a colour. */
#define SHADES (BITS == 4 ? JL_SHADES_SHOWN | JL_SHADES_MIXED : 0)
#include "bits_template.h"

static inline unsigned pack(const struct jl_frame *frame, jl_color color) {
    (void)frame;
    return jl_channel_pack(jl_color_luminance(color), BITS);
}

static inline jl_color unpack(const struct jl_frame *frame, unsigned value) {
    (void)frame;
    return JL_GREY(value * (255u / VALUE_MASK));
}
