/* Fixed cells without gaps in the code points: the smallest kind. */
#ifndef JADELAMP_SRC_FONT_FIXED_H
#define JADELAMP_SRC_FONT_FIXED_H

#include "font_kind.h"

/* The table is: first code point, glyphs, columns a glyph, advance; then the glyphs in vertical
 * bytes, 8 rows high at most. */
enum { JL_FIXED_FIRST, JL_FIXED_COUNT, JL_FIXED_WIDTH, JL_FIXED_ADVANCE, JL_FIXED_GLYPHS };

extern const struct jl_font_kind jl_font_fixed;
extern const struct jl_font_kind jl_font_fixed_quick; /* one page high */

bool jl_font_fixed_find(const struct jl_font *font, uint32_t code, struct jl_glyph *glyph);

extern const uint8_t JL_FLASH jl_font_6x8_table[];

#endif
