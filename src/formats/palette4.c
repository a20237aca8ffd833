/* 4-bit indices into a palette of the caller's: two pixels a byte, the left one in the upper bits.
 */
#define BITS 4
#include "palette_template.h"

const struct jl_format jl_palette4 = PALETTE_FORMAT;
