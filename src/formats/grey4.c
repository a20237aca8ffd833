/* 4-bit grey, the left pixel in the high nibble. */
#define BITS      4
#define LOW_FIRST 0
#include "grey_template.h"

const struct jl_format jl_grey4 = BITS_FORMAT(JL_LAYOUT_GREY4, 0);
