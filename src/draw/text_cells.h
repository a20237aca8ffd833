/* Characters and their cells: what drawing, measuring and breaking of lines share. */
#ifndef JADELAMP_SRC_TEXT_CELLS_H
#define JADELAMP_SRC_TEXT_CELLS_H

#include <stddef.h>

#include "font_kind.h"
#include "jadelamp/text.h"
#include "../core/utf8.h"

struct jl_text_glyph {
    struct jl_glyph glyph;
    const struct jl_font *font;
};

/* The glyph of a code point from the first font that has it, or the box. False: the box. */
bool jl_text_cell(const struct jl_text_style *style, uint32_t code, struct jl_text_glyph *out);

/* Rows from line to line, 1 or more. */
static inline int32_t jl_line_pitch(const struct jl_text_style *style) {
    int32_t pitch = (int32_t)style->font->height + style->line_spacing;
    return pitch > 0 ? pitch : 1;
}

/* As jl_text(), up to `end` (NULL: the terminating zero); x is at least INT16_MIN. */
uint16_t jl_text_part(struct jl_target *target, int16_t x, int16_t y, const char *text,
                      const char *end, const struct jl_text_style *style);

#endif
