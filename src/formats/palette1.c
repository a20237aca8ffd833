/* 1-bit indices into a palette of the caller's: eight pixels a byte, the left one in the upper
 * bits. */
#define BITS 1
#include "palette_template.h"

const struct jl_format jl_palette1 = PALETTE_FORMAT;
