/* Some characters of a packed font. The layout is that of docs/fonts.md. */
#include <stdio.h>
#include <string.h>

#include "byte_table.h"

enum { HEADER_BYTES = 12, RANGE_BYTES = 8, GLYPH_BYTES = 8 };

static unsigned number_at(const uint8_t *at, int bytes) {
    unsigned number = 0;
    for (int i = 0; i < bytes; i++) {
        number |= (unsigned)at[i] << 8 * i;
    }
    return number;
}

/* The glyph of a code point; NULL: it has none. */
static const uint8_t *glyph_of(const uint8_t *table, uint32_t code) {
    unsigned ranges = number_at(table + 8, 2);
    const uint8_t *glyphs = table + HEADER_BYTES + ranges * RANGE_BYTES;
    for (unsigned i = 0; i < ranges; i++) {
        const uint8_t *range = table + HEADER_BYTES + i * RANGE_BYTES;
        unsigned first = number_at(range, 3);
        if (code >= first && code - first < number_at(range + 4, 2)) {
            return glyphs + (number_at(range + 6, 2) + code - first) * GLYPH_BYTES;
        }
    }
    return NULL;
}

static void add_glyph(struct packed_font *font, const uint8_t *glyph, const uint8_t *bitmaps,
                      uint32_t code) {
    int width = glyph[3], height = glyph[4];
    int bytes = font->bits == 1 ? (height + 7) / 8 * width : (width + 1) / 2 * height;
    jl_host_packed_font_code(font, code);
    jl_host_packed_font_glyph(font, width, height, (int8_t)glyph[5], (int8_t)glyph[6], glyph[7]);
    for (int i = 0; i < bytes; i++) {
        jl_host_bytes_add(&font->bitmaps, bitmaps[number_at(glyph, 3) + (unsigned)i]);
    }
}

bool jl_bake_subset(const struct jl_font *font, const struct jl_code_set *wanted,
                    struct jl_baked_font *baked, struct jl_complaint *complaint) {
    struct packed_font subset = {.bits = font->kind == &jl_font_packed_coverage ? 4 : 1};
    bool packed = subset.bits == 4 || font->kind == &jl_font_packed_stencil;
    const uint8_t *table = font->table;
    const uint8_t *bitmaps = packed ? table + HEADER_BYTES + number_at(table + 8, 2) * RANGE_BYTES +
                                          number_at(table + 10, 2) * GLYPH_BYTES
                                    : NULL;
    memset(baked, 0, sizeof *baked);
    int room = (int)(sizeof baked->missing / sizeof baked->missing[0]);
    for (uint32_t code = 0; code < JL_CODE_POINTS; code++) {
        if (!jl_code_set_has(wanted, code)) {
            continue;
        }
        if (!jl_font_has(font, code)) {
            if (baked->missing_count < room) {
                baked->missing[baked->missing_count] = code;
            }
            baked->missing_count++;
        } else if (packed) {
            add_glyph(&subset, glyph_of(table, code), bitmaps, code);
        }
    }
    bool good = true;
    if (packed) {
        struct bytes whole = {NULL, 0, 0, false};
        jl_host_packed_font_end(&subset, font->ascent, font->height - font->ascent, &whole);
        baked->glyphs = subset.glyph_count;
        snprintf(baked->family, sizeof baked->family, "of the library");
        good = jl_host_packed_font_take(&whole, baked, "a font of the library", complaint);
        baked->font.box_width = font->box_width; /* what is missing looks as it does in all of it */
    }
    jl_host_packed_font_free(&subset);
    return good;
}
