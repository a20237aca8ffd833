/* 5-6-5 arithmetic, for both byte orders; behind bytes_template.h. */
#ifndef JADELAMP_SRC_RGB565_H
#define JADELAMP_SRC_RGB565_H

#include "jadelamp/color.h"

/* Each channel as jl_channel_pack(); red and blue in one sum, 16 bits apart. */
EACH_PIXEL uint32_t rgb565_pack(jl_color c) {
    uint32_t red_blue = (c & 0xFF00FF) * 31 + 0x800080;
    uint32_t green = (c >> 8 & 0xFF) * 63 + 128;
    red_blue += red_blue >> 8 & 0xFF00FF;
    green += green >> 8;
    return (red_blue >> 13 & 0xF800) | (green >> 3 & 0x07E0) | (red_blue >> 8 & 0x1F);
}

/* The top bits are repeated below, so that exclusive or works on colours as on the bits. */
EACH_PIXEL jl_color rgb565_unpack(uint32_t v) {
    uint32_t red_blue = (v & 0xF800) << 5 | (v & 31), green = v >> 5 & 63;
    return red_blue << 3 | (red_blue >> 2 & 0x070007) | (green << 10) | (green << 4 & 0x0300);
}

/* Unpacked, mixed as jl_color_mix() has it, and packed; the channels are never joined. */
EACH_PIXEL uint32_t rgb565_mix(jl_color color, uint32_t below) {
    uint32_t share = color >> 24, rest = 255 - share;
    uint32_t red_blue = (below & 0xF800) << 5 | (below & 31), green = below >> 5 & 63;
    red_blue = red_blue << 3 | (red_blue >> 2 & 0x070007);
    green = green << 2 | green >> 4;
    red_blue = (color & 0xFF00FF) * rest + red_blue * share + 0x800080;
    green = (color >> 8 & 0xFF) * rest + green * share + 128;
    red_blue = (red_blue + (red_blue >> 8 & 0xFF00FF)) >> 8 & 0xFF00FF;
    green = (green + (green >> 8)) >> 8;
    red_blue = red_blue * 31 + 0x800080;
    green = green * 63 + 128;
    red_blue += red_blue >> 8 & 0xFF00FF;
    green += green >> 8;
    return (red_blue >> 13 & 0xF800) | (green >> 3 & 0x07E0) | (red_blue >> 8 & 0x1F);
}

#endif
