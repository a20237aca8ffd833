/* Fonts by FreeType, into the packed layout of docs/fonts.md. */
#include "jadelamp/host/bake_font.h"

#include <ft2build.h>
#include FT_FREETYPE_H
#include <stdio.h>
#include <stdlib.h>
#include <errno.h>
#include <string.h>

#include "byte_table.h"

enum {
    MOST_GLYPHS = 65535,
    MOST_BITMAP_BYTES = 1 << 24,
    LEAST_PIXELS = 4,
    MOST_PIXELS = 127,
};

struct baking {
    FT_Library library;
    FT_Face face;
    struct packed_font font;
    struct jl_baked_font *baked;
    struct jl_complaint *complaint;
    const char *path;
};

/* ---- glyphs ---- */

/* How much of a pixel is covered, 0..15. */
static int coverage_at(const FT_Bitmap *map, int x, int y) {
    const uint8_t *row = map->buffer + (ptrdiff_t)y * map->pitch;
    if (map->pixel_mode == FT_PIXEL_MODE_MONO) {
        return (row[x / 8] >> (7 - x % 8) & 1) * 15;
    }
    return (row[x] * 15 + 127) / 255;
}

static void add_stencil(struct bytes *out, const FT_Bitmap *map) {
    int width = (int)map->width, height = (int)map->rows;
    for (int page = 0; page < height; page += 8) {
        for (int x = 0; x < width; x++) {
            int byte = 0;
            for (int y = page; y < height && y < page + 8; y++) {
                byte |= (coverage_at(map, x, y) > 7) << (y - page);
            }
            jl_host_bytes_add(out, byte);
        }
    }
}

static void add_coverage(struct bytes *out, const FT_Bitmap *map) {
    for (int y = 0; y < (int)map->rows; y++) {
        for (int x = 0; x < (int)map->width; x += 2) {
            int right = x + 1 < (int)map->width ? coverage_at(map, x + 1, y) : 0;
            jl_host_bytes_add(out, coverage_at(map, x, y) << 4 | right);
        }
    }
}

static void note_missing(struct jl_baked_font *baked, uint32_t code) {
    int room = (int)(sizeof baked->missing / sizeof baked->missing[0]);
    if (baked->missing_count < room) {
        baked->missing[baked->missing_count] = code;
    }
    baked->missing_count++;
}

static bool add_glyph(struct baking *b, uint32_t code) {
    FT_UInt index = FT_Get_Char_Index(b->face, code);
    if (!index) {
        note_missing(b->baked, code);
        return true;
    }
    FT_Int32 how =
        FT_LOAD_RENDER | (b->font.bits == 1 ? FT_LOAD_TARGET_MONO : FT_LOAD_TARGET_NORMAL);
    if (FT_Load_Glyph(b->face, index, how) != 0) {
        return jl_complain(b->complaint, "%s: the glyph of U+%04X is broken", b->path,
                           (unsigned)code);
    }
    const FT_GlyphSlot slot = b->face->glyph;
    const FT_Bitmap *map = &slot->bitmap;
    long advance = (slot->advance.x + 32) >> 6;
    if (map->width && map->pixel_mode != FT_PIXEL_MODE_MONO &&
        map->pixel_mode != FT_PIXEL_MODE_GRAY) {
        return jl_complain(b->complaint, "%s: U+%04X is in colours, which fonts here have not",
                           b->path, (unsigned)code);
    }
    if (b->font.glyph_count == MOST_GLYPHS || b->font.bitmaps.count >= MOST_BITMAP_BYTES ||
        map->width > 255 || map->rows > 255 || advance < 0 || advance > 255 ||
        slot->bitmap_left < -128 || slot->bitmap_left > 127 || slot->bitmap_top < -128 ||
        slot->bitmap_top > 127) {
        return jl_complain(b->complaint,
                           "%s: U+%04X is too large, or there are too many (at most %d characters "
                           "of up to 255 pixels a side)",
                           b->path, (unsigned)code, MOST_GLYPHS);
    }
    jl_host_packed_font_code(&b->font, code);
    jl_host_packed_font_glyph(&b->font, (int)map->width, (int)map->rows, slot->bitmap_left,
                              slot->bitmap_top, (int)advance);
    if (b->font.bits == 1) {
        add_stencil(&b->font.bitmaps, map);
    } else {
        add_coverage(&b->font.bitmaps, map);
    }
    return true;
}

/* ---- the file ---- */

/* The size asked for; of bitmap fonts one that is there. */
static bool choose_size(struct baking *b, int pixels) {
    FT_Face face = b->face;
    if (FT_IS_SCALABLE(face)) {
        return FT_Set_Pixel_Sizes(face, 0, (FT_UInt)pixels) == 0 ||
               jl_complain(b->complaint, "%s: cannot be scaled to %d pixels", b->path, pixels);
    }
    char sizes[200] = "";
    for (int i = 0; i < face->num_fixed_sizes; i++) {
        int height = face->available_sizes[i].height;
        size_t length = strlen(sizes);
        if (height == pixels || (face->available_sizes[i].y_ppem + 32) >> 6 == pixels) {
            return FT_Select_Size(face, i) == 0;
        }
        snprintf(sizes + length, sizeof sizes - length, "%s%d", i ? ", " : "", height);
    }
    return jl_complain(b->complaint, "%s: a bitmap font without %d pixels; it has %s", b->path,
                       pixels, *sizes ? sizes : "no size at all");
}

static bool open_face(struct baking *b, int pixels) {
    FILE *stream = fopen(b->path, "rb"); /* FreeType does not say why it cannot */
    if (!stream) {
        return jl_complain(b->complaint, "cannot read the font %s: %s", b->path, strerror(errno));
    }
    fclose(stream);
    if (FT_Init_FreeType(&b->library) != 0) {
        return jl_complain(b->complaint, "out of memory for FreeType");
    }
    if (FT_New_Face(b->library, b->path, 0, &b->face) != 0) {
        return jl_complain(b->complaint,
                           "%s: expected a TrueType, OpenType, BDF or PCF font, and a whole one",
                           b->path);
    }
    return choose_size(b, pixels);
}

static void make_table(struct baking *b, struct bytes *table) {
    const FT_Size_Metrics *metrics = &b->face->size->metrics;
    long ascent = (metrics->ascender + 63) >> 6, descent = (63 - metrics->descender) >> 6;
    ascent = ascent < 1 ? 1 : ascent > 200 ? 200 : ascent;
    descent = descent < 0 ? 0 : descent > 55 ? 55 : descent;
    jl_host_packed_font_end(&b->font, (int)ascent, (int)descent, table);
}

static bool bake(struct baking *b, int pixels, const struct jl_code_set *wanted) {
    if (!open_face(b, pixels)) {
        return false;
    }
    for (uint32_t code = 0; code < JL_CODE_POINTS; code++) {
        if (jl_code_set_has(wanted, code) && !add_glyph(b, code)) {
            return false;
        }
    }
    if (!b->font.glyph_count) {
        return jl_complain(b->complaint, "%s: none of the characters wanted is in the font",
                           b->path);
    }
    struct bytes table = {NULL, 0, 0, false};
    make_table(b, &table);
    if (!jl_host_packed_font_take(&table, b->baked, b->path, b->complaint)) {
        return false;
    }
    b->baked->glyphs = b->font.glyph_count;
    snprintf(b->baked->family, sizeof b->baked->family, "%s %s",
             b->face->family_name ? b->face->family_name : "a font",
             b->face->style_name ? b->face->style_name : "");
    return true;
}

bool jl_bake_font(const char *path, int pixels, int bits, const struct jl_code_set *wanted,
                  struct jl_baked_font *baked, struct jl_complaint *complaint) {
    struct baking b = {
        .font = {.bits = bits}, .baked = baked, .complaint = complaint, .path = path};
    memset(baked, 0, sizeof *baked);
    if (pixels < LEAST_PIXELS || pixels > MOST_PIXELS || (bits != 1 && bits != 4)) {
        return jl_complain(complaint, "%d pixels of %d bits: expected %d to %d pixels, 1 or 4 bits",
                           pixels, bits, LEAST_PIXELS, MOST_PIXELS);
    }
    bool good = bake(&b, pixels, wanted);
    FT_Done_Face(b.face);
    FT_Done_FreeType(b.library);
    jl_host_packed_font_free(&b.font);
    return good;
}

void jl_baked_font_free(struct jl_baked_font *baked) {
    free(baked->table);
    baked->table = NULL;
}
