/* 2-bit indices into a palette of the caller's: four pixels a byte, the left one in the upper bits.
 */
#define BITS 2
#include "palette_template.h"

const struct jl_format jl_palette2 = PALETTE_FORMAT;
