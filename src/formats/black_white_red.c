/* Black, white and red for e-paper: white in the first plane, red in the second. */
#include "two_planes_template.h"

enum { WHITE = 1, RED = 2 };

static inline unsigned pack(jl_color c) {
    if (jl_color_red(c) >= 128 && jl_color_green(c) < 128 && jl_color_blue(c) < 128) {
        return RED;
    }
    return jl_color_luminance(c) >= 128 ? WHITE : 0;
}

static inline jl_color unpack(unsigned value) {
    return value & RED ? JL_RED : value & WHITE ? JL_WHITE : JL_BLACK;
}

const struct jl_format jl_black_white_red = TWO_PLANES_FORMAT(JL_LAYOUT_BLACK_WHITE_RED, 0, 1);
