/* Which colours are lit. A function of its own: two calls are shorter than two copies. */
#include "format.h"

uint8_t jl_lit_bits(jl_color color) {
    if (color == JL_BLACK || color == JL_WHITE) { /* what these formats are drawn with */
        return (uint8_t)color;
    }
    return jl_color_luminance(color) >= 128 ? 0xFF : 0x00;
}
