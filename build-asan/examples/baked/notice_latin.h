/* Made by jadelamp bake font DejaVuSans.ttf --name notice_latin --into baked --size 15 --bits 4 */
#ifndef NOTICE_LATIN_H
#define NOTICE_LATIN_H

#include "jadelamp/font.h"

/*
 * DejaVu Sans Book: 95 characters in lines of 18 pixels, 4 bits a pixel, 4695 bytes.
 */
extern const struct jl_font notice_latin;
enum { notice_latin_bytes = 4695 };

#endif
