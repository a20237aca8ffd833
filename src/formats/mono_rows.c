/* 1 bit, rows, the leftmost pixel in bit 7. */
#define BITS      1
#define LOW_FIRST 0
#include "grey_template.h"

const struct jl_format jl_mono_rows = BITS_FORMAT(JL_LAYOUT_MONO_ROWS, 0);
const struct jl_format jl_black_white = BITS_FORMAT(JL_LAYOUT_MONO_ROWS, 0xFF);
