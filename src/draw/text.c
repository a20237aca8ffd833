/* One line of text in a fixed-width font. */
#include "jadelamp/text.h"

#include "../core/paint.h"
#include "utf8.h"

/* Shown for what the font lacks: a box of 5x7, cut to the glyph's width. */
static const uint8_t missing_box[] = {0x7F, 0x41, 0x41, 0x41, 0x7F};

uint16_t jl_text(struct jl_target *target, int16_t x, int16_t y, const char *text,
                 const struct jl_text_style *style) {
    const struct jl_font *font = style->font;
    uint16_t missing = 0;
    int32_t pen = x;
    uint32_t code;
    while (pen <= INT16_MAX && (code = jl_utf8_next(&text)) != 0) {
        struct jl_bitmap glyph = {missing_box, (int16_t)sizeof missing_box, 8, &jl_bits_columns};
        uint32_t index = code - font->first; /* wraps below `first`: then it is too great */
        if (index < font->count) {
            glyph.bits = font->glyphs + index * font->glyph_width;
            glyph.width = font->glyph_width;
        } else {
            missing++;
        }
        struct jl_rect cell = {(int16_t)pen, y, font->advance, font->height};
        jl_paint_stencil(target, cell, &glyph, style->ink, style->paper);
        pen += font->advance;
    }
    return missing;
}

int16_t jl_text_width(const struct jl_font *font, const char *text) {
    int32_t width = 0;
    while (width < INT16_MAX && jl_utf8_next(&text) != 0) {
        width += font->advance;
    }
    return (int16_t)(width < INT16_MAX ? width : INT16_MAX);
}
