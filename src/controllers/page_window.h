/*
 * Controllers that address a page and a column, and count columns only: B0h + page, 10h + high
 * nibble, 00h + low nibble (sh1106, st7565, st7567, uc1701 command tables).
 */
#ifndef JADELAMP_SRC_PAGE_WINDOW_H
#define JADELAMP_SRC_PAGE_WINDOW_H

#include "jadelamp/panel.h"

/* The area is one page high; `first` is the RAM column of the picture's left edge. */
static inline size_t jl_page_window(struct jl_rect area, int first, uint8_t *out) {
    int left = first + area.x;
    out[0] = 3;
    out[1] = (uint8_t)(0xB0 | area.y >> 3);
    out[2] = (uint8_t)(0x10 | left >> 4);
    out[3] = (uint8_t)(left & 0x0F);
    return 4;
}

#endif
