/* 2-bit grey, the leftmost pixel in the high bits. */
#define BITS      2
#define LOW_FIRST 0
#include "grey_template.h"

const struct jl_format jl_grey2 = BITS_FORMAT(JL_LAYOUT_OTHER, 0);
