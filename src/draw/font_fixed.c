/* Glyphs of fixed fonts. */
#include "font_fixed.h"

#include <stddef.h>

#include "../core/flash.h"

bool jl_font_fixed_find(const struct jl_font *font, uint32_t code, struct jl_glyph *glyph) {
    const uint8_t *table = font->table;
    /* wraps below the first: then it is too great */
    uint32_t index = code - jl_flash_byte(table + JL_FIXED_FIRST);
    uint8_t width = jl_flash_byte(table + JL_FIXED_WIDTH);
    if (index >= jl_flash_byte(table + JL_FIXED_COUNT)) {
        return false;
    }
    glyph->map = (struct jl_bitmap){table + JL_FIXED_GLYPHS + index * width, width, font->height,
                                    &jl_flash_columns};
    glyph->left = 0;
    glyph->top = font->ascent;
    glyph->advance = jl_flash_byte(table + JL_FIXED_ADVANCE);
    return true;
}

const struct jl_font_kind jl_font_fixed = {.find = jl_font_fixed_find, .paint = NULL};
