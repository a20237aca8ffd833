/* Measuring, and anchors. */
#include "text_cells.h"

int16_t jl_text_width(const struct jl_text_style *style, const char *text) {
    int32_t width = 0;
    uint32_t code;
    while (width < INT16_MAX && (code = jl_utf8_next(&text)) != 0) {
        struct jl_text_glyph found;
        jl_text_cell(style, code, &found);
        width += found.glyph.advance;
    }
    return (int16_t)(width < INT16_MAX ? width : INT16_MAX);
}

uint16_t jl_text_at(struct jl_target *target, int16_t x, int16_t y, uint8_t anchor,
                    const char *text, const struct jl_text_style *style) {
    int32_t width = jl_text_width(style, text);
    int32_t left = x, top = y;
    left -= anchor & JL_ANCHOR_RIGHT ? width : anchor & JL_ANCHOR_CENTRE ? width / 2 : 0;
    switch (anchor & JL_ANCHOR_BOTTOM) {
    case JL_ANCHOR_MIDDLE:
        top -= style->font->height / 2;
        break;
    case JL_ANCHOR_BASELINE:
        top -= style->font->ascent;
        break;
    case JL_ANCHOR_BOTTOM:
        top -= style->font->height;
        break;
    default:
        break;
    }
    if (left < INT16_MIN || top < INT16_MIN) {
        return 0; /* above or left of everything: at most 32767 wide, so it ends before 0 */
    }
    return jl_text(target, (int16_t)left, (int16_t)top, text, style);
}
