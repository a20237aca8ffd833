/* Made by jadelamp bake glyph icons-12.txt --name notice_icons --into baked --font */
#ifndef NOTICE_ICONS_H
#define NOTICE_ICONS_H

#include "jadelamp/font.h"

/*
 * text art: 24 characters in lines of 12 pixels, 1 bit a pixel, 788 bytes.
 */
extern const struct jl_font notice_icons;
enum { notice_icons_bytes = 788 };

#endif
