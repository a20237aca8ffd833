/* Made by jadelamp bake glyph from digit_parts.txt: edit that. */
#ifndef DIGIT_PARTS_H
#define DIGIT_PARTS_H

#include "jadelamp/char_panel.h"

/* 5 characters, 60 bytes. */
extern const struct jl_char_glyph digit_parts[5];

#endif
