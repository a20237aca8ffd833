/* 4-bit grey, the left pixel in the low nibble. */
#define BITS      4
#define LOW_FIRST 1
#include "grey_template.h"

const struct jl_format jl_grey4_low = BITS_FORMAT(JL_LAYOUT_OTHER, 0);
