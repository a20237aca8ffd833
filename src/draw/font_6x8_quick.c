/* The letters of 6x8, drawn quickly on 1-bit pages. */
#include "font_fixed.h"

const struct jl_font jl_font_6x8_quick = {
    .kind = &jl_font_fixed_quick,
    .table = jl_font_6x8_table,
    .height = 8,
    .ascent = 7,
    .box_width = 6,
};
