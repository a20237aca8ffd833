/* One line of text. */
#include "jadelamp/text.h"

#include "text_cells.h"

/* The missing character: a box as high as capitals, computed instead of stored. */
static uint8_t box_column(const struct jl_bitmap *map, int x, int y) {
    unsigned bits = 0;
    unsigned right = (unsigned)map->width - 1, last = (unsigned)map->height - 1;
    for (int row = y + 7; row >= y; row--) {
        bits <<= 1;
        /* Unsigned, so that what is negative is outside, too. */
        if ((unsigned)x <= right && (unsigned)row <= last &&
            (x == 0 || (unsigned)x == right || row == 0 || (unsigned)row == last)) {
            bits++;
        }
    }
    return (uint8_t)bits;
}

static const struct jl_bit_order box_order = {.column = box_column};

bool jl_text_cell(const struct jl_text_style *style, uint32_t code, struct jl_text_glyph *out) {
    const struct jl_font *font = style->font;
    const struct jl_font *const *next = style->fallbacks;
    do {
        if (font->kind->find(font, code, &out->glyph)) {
            out->font = font;
            return true;
        }
        font = next ? *next++ : NULL;
    } while (font);
    font = style->font;
    out->font = font;
    out->glyph = (struct jl_glyph){{NULL, (int16_t)(font->box_width - 1), font->ascent, &box_order},
                                   0,
                                   font->ascent,
                                   font->box_width};
    return false;
}

uint16_t jl_text_part(struct jl_target *target, int16_t x, int16_t y, const char *text,
                      const char *end, const struct jl_text_style *style) {
    uint16_t missing = 0;
    int pen = x;
    uint32_t code;
    struct jl_text_glyph found;
    struct jl_stencil s = {.map = &found.glyph.map, .ink = style->ink, .paper = style->paper};
    while (text != end && (code = jl_utf8_next(&text)) != 0) {
        bool known = jl_text_cell(style, code, &found);
        const struct jl_glyph *glyph = &found.glyph;
        s.area = (struct jl_rect){(int16_t)pen, y, glyph->advance, style->font->height};
        if (known && found.font->kind->paint) {
            found.font->kind->paint(target, s.area, (int32_t)y + style->font->ascent, glyph,
                                    style->ink, style->paper);
        } else {
            s.map_x = (int16_t)-glyph->left;
            s.map_y = (int16_t)(glyph->top - style->font->ascent);
            jl_paint_stencil(target, &s);
        }
        missing = (uint16_t)(missing + !known);
        /* Without a sign, since what is left up to the right end may be twice that. */
        if ((unsigned)glyph->advance > (unsigned)INT16_MAX - (unsigned)pen) {
            break;
        }
        pen += glyph->advance;
    }
    return missing;
}

uint16_t jl_text(struct jl_target *target, int16_t x, int16_t y, const char *text,
                 const struct jl_text_style *style) {
    return jl_text_part(target, x, y, text, NULL, style);
}
