/* Made by jadelamp bake glyph from lock_glyphs.txt: edit that. */
#ifndef LOCK_GLYPHS_H
#define LOCK_GLYPHS_H

#include "jadelamp/char_panel.h"

/* 8 characters, 96 bytes. */
extern const struct jl_char_glyph lock_glyphs[8];

#endif
