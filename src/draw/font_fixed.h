/* Fixed cells without gaps in the code points: the smallest kind. */
#ifndef JADELAMP_SRC_FONT_FIXED_H
#define JADELAMP_SRC_FONT_FIXED_H

#include "font_kind.h"

/* The table is: first code point, glyphs, columns a glyph, advance; then the glyphs in vertical
 * bytes, 8 rows high at most. */
enum { JL_FIXED_FIRST, JL_FIXED_COUNT, JL_FIXED_WIDTH, JL_FIXED_ADVANCE, JL_FIXED_GLYPHS };

extern const struct jl_font_kind jl_font_fixed;

#endif
