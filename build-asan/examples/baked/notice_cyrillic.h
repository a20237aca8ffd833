/* Made by jadelamp bake font DejaVuSans.ttf --name notice_cyrillic --into baked --size 15 --bits 4 --text Шлюззакрыт */
#ifndef NOTICE_CYRILLIC_H
#define NOTICE_CYRILLIC_H

#include "jadelamp/font.h"

/*
 * DejaVu Sans Book: 9 characters in lines of 18 pixels, 4 bits a pixel, 533 bytes.
 */
extern const struct jl_font notice_cyrillic;
enum { notice_cyrillic_bytes = 533 };

#endif
