/*
 * Fonts baked into C: exactly the characters that are wanted, from an outline or bitmap font.
 */
#ifndef JADELAMP_HOST_BAKE_FONT_H
#define JADELAMP_HOST_BAKE_FONT_H

#include "jadelamp/font.h"
#include "jadelamp/host/complaint.h"
#include "jadelamp/sim/picture.h"

#include <stddef.h>
#include <stdio.h>

#ifdef __cplusplus
extern "C" {
#endif

enum { JL_CODE_POINTS = 0x110000 };

/** A set of characters: a bit a code point. Zero it before the first use. */
struct jl_code_set {
    uint8_t bits[JL_CODE_POINTS / 8];
};

static inline bool jl_code_set_has(const struct jl_code_set *set, uint32_t code) {
    return code < JL_CODE_POINTS && (set->bits[code >> 3] >> (code & 7) & 1);
}

/** Adds one; values past U+10FFFF are left out. */
void jl_code_set_add(struct jl_code_set *set, uint32_t code);

/** Adds the characters of UTF-8 text. False: it is malformed. */
bool jl_code_set_add_text(struct jl_code_set *set, const char *text);

/** Adds ranges such as "20-7E,B0,2190-2193", hexadecimal. False: it is none. */
bool jl_code_set_add_ranges(struct jl_code_set *set, const char *text);

/**
 * Adds what is written in a source or string file: all its characters but control codes, and
 * those that escapes of C stand for: u and four, or U and eight hexadecimal digits.
 */
bool jl_code_set_add_file(struct jl_code_set *set, const char *path,
                          struct jl_complaint *complaint);

/** A baked font. Free it; the font points into it. */
struct jl_baked_font {
    struct jl_font font;
    uint8_t *table;
    size_t bytes;
    int glyphs;
    uint32_t missing[64]; /**< the first of the characters that the font file lacks */
    int missing_count;    /**< all of them */
    char family[64];
};

/**
 * Renders characters at a size in pixels.
 *
 * @param pixels 4..127; of bitmap fonts a size that the file has
 * @param bits   1, or 4 for soft edges
 * @return false: the complaint says why, and there is nothing to free. Missing characters are
 *         no failure
 */
bool jl_bake_font(const char *path, int pixels, int bits, const struct jl_code_set *wanted,
                  struct jl_baked_font *baked, struct jl_complaint *complaint);

/**
 * Some characters of a font that is there. Of one that is not packed, such as jl_font_6x8, nothing
 * is made (the table is NULL), and only what it lacks is told.
 */
bool jl_bake_subset(const struct jl_font *font, const struct jl_code_set *wanted,
                    struct jl_baked_font *baked, struct jl_complaint *complaint);

/**
 * A small font, or icons, from text art of up to 64 x 64 dots a character; each is as wide as
 * drawn, and one column apart from the next.
 *
 * @param ascent rows above the baseline; 0: as a line "@ ascent N" says, else all of the highest
 *               character
 */
bool jl_bake_art_font(const char *path, int ascent, struct jl_baked_font *baked,
                      struct jl_complaint *complaint);

/** Prints a font that was baked into C as text art, for review. */
bool jl_print_baked_font(const char *path, FILE *out, struct jl_complaint *complaint);

void jl_baked_font_free(struct jl_baked_font *baked);

/** All its characters in rows, black on white. The caller frees it. False: no memory. */
bool jl_baked_font_specimen(const struct jl_baked_font *baked, struct jl_picture *specimen);

/** Writes DIRECTORY/NAME.c and NAME.h: `const struct jl_font NAME`. Both or neither. */
bool jl_baked_font_write(const struct jl_baked_font *baked, const char *directory, const char *name,
                         const char *made, struct jl_complaint *complaint);

#ifdef __cplusplus
}
#endif

#endif
