/* Which colours are lit. A function of its own: two calls are shorter than two copies. */
#include "format.h"

uint32_t jl_lit_bits(jl_color color, const struct jl_target *target) {
    (void)target;
    if (color == JL_BLACK || color == JL_WHITE) { /* what these formats are drawn with */
        return color & 0xFF;
    }
    return jl_color_luminance(color) >= 128 ? 0xFF : 0x00;
}
