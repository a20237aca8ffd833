/* 8-bit indices into a palette of the caller's: a byte a pixel, the left one in the upper bits. */
#define BITS 8
#include "palette_template.h"

const struct jl_format jl_palette8 = PALETTE_FORMAT;
