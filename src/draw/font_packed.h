/* Packed fonts that are compiled in, hence need no check. */
#ifndef JADELAMP_SRC_FONT_PACKED_H
#define JADELAMP_SRC_FONT_PACKED_H

#include "font_kind.h"

extern const struct jl_font_kind jl_font_packed_stencil;

#endif
