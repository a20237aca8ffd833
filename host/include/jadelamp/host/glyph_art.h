/*
 * Characters of one's own for character modules, drawn as text art: docs/fonts.md has the form.
 */
#ifndef JADELAMP_HOST_GLYPH_ART_H
#define JADELAMP_HOST_GLYPH_ART_H

#include "jadelamp/char_panel.h"
#include "jadelamp/host/complaint.h"

#ifdef __cplusplus
extern "C" {
#endif

/** Glyphs in the order of the file: the first becomes index 0. */
struct jl_glyph_art {
    struct jl_char_glyph glyphs[8];
    int count;
};

/** Reads 1 to 8 glyphs. False: the complaint names file, line and what would be right. */
bool jl_glyph_art_read(const char *path, struct jl_glyph_art *art, struct jl_complaint *complaint);

/**
 * Writes DIRECTORY/NAME.c and NAME.h: `const struct jl_char_glyph NAME[]`, with the art in
 * comments. Both or neither.
 *
 * @param name    a C identifier
 * @param source  named in the files as where they come from
 */
bool jl_glyph_art_bake(const struct jl_glyph_art *art, const char *directory, const char *name,
                       const char *source, struct jl_complaint *complaint);

#ifdef __cplusplus
}
#endif

#endif
