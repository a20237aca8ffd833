/* Four greys for e-paper: the upper bit in the first plane, the lower in the second. */
#include "../core/packing.h"
#include "two_planes_template.h"

static inline unsigned pack(jl_color c) {
    unsigned level = jl_channel_pack(jl_color_luminance(c), 2);
    return level >> 1 | (level & 1) << 1;
}

static inline jl_color unpack(unsigned value) {
    unsigned level = (value & 1) << 1 | value >> 1;
    return JL_GREY(level * 85u);
}

const struct jl_format jl_grey2_planes = TWO_PLANES_FORMAT(JL_LAYOUT_GREY2_PLANES, 0xFF, 2);
