/* How a kind of font gives its glyphs. */
#ifndef JADELAMP_SRC_FONT_KIND_H
#define JADELAMP_SRC_FONT_KIND_H

#include "../core/paint.h"
#include "jadelamp/font.h"

struct jl_glyph {
    struct jl_bitmap map; /* for coverage fonts `bits` alone counts, with width and height */
    int8_t left;          /* from the pen to the map */
    int16_t top;          /* from the baseline up to the map's first row */
    uint8_t advance;
};

struct jl_font_kind {
    bool (*find)(const struct jl_font *font, uint32_t code, struct jl_glyph *glyph);
    /* Paints a glyph; the cell's top left is on the pen. NULL: a plain stencil. */
    void (*paint)(struct jl_target *target, struct jl_rect cell, int32_t baseline,
                  const struct jl_glyph *glyph, jl_color ink, jl_color paper);
};

#endif
