/* 5-6-5 arithmetic, for both byte orders; behind bytes_template.h. */
#ifndef JADELAMP_SRC_RGB565_H
#define JADELAMP_SRC_RGB565_H

#include "jadelamp/color.h"

/* Each channel as jl_channel_pack(), by a factor and a sum that give the same for all 256 values
 * (a test tries them); red and blue in one sum, 16 bits apart. */
enum { TO_31 = 249, PLUS_31 = 1014, TO_63 = 253, PLUS_63 = 505 };

EACH_PIXEL uint32_t rgb565_join(uint32_t red_blue, uint32_t green) {
    red_blue = red_blue * TO_31 + PLUS_31 * 0x10001u;
    green = green * TO_63 + PLUS_63;
    return (red_blue >> 16 & 0xF800) | (green >> 5 & 0x07E0) | (red_blue >> 11 & 0x1F);
}

EACH_PIXEL uint32_t rgb565_pack(jl_color c) {
    return rgb565_join(c & 0xFF00FF, c >> 8 & 0xFF);
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
    return rgb565_join(red_blue, green);
}

#ifdef JL_LANES
/* A channel of eight pixels as jl_color_mix() has it; all fits 16 bits. */
EACH_PIXEL jl_lanes rgb565_mix_channel(jl_lanes over, jl_lanes below, jl_lanes rest) {
    return jl_lanes_high(over + below * rest, 257); /* (m + (m >> 8)) >> 8 */
}

/* rgb565_mix() of eight pixels. Where nothing is transparent it is rgb565_pack(). */
EACH_PIXEL void rgb565_mix_lanes(uint8_t *at, const struct jl_over_lanes *over, bool high_first) {
    jl_lanes below;
    memcpy(&below, at, sizeof below);
    if (high_first) {
        below = below << 8 | below >> 8;
    }
    /* Where their bits are, channels are multiplied and shifted at once: by 8.25 and 4.0625, which
     * repeats the top bits below. */
    jl_lanes red = jl_lanes_high(below & 0xF800, 33 << 3);
    jl_lanes green = jl_lanes_high(below & 0x07E0, 65 << 7);
    jl_lanes blue = jl_lanes_high(below << 11, 33 << 3);
    red = rgb565_mix_channel(over->red, red, over->rest) * TO_31 + PLUS_31;
    green = rgb565_mix_channel(over->green, green, over->rest) * TO_63 + PLUS_63;
    blue = rgb565_mix_channel(over->blue, blue, over->rest) * TO_31 + PLUS_31;
    below = (red & 0xF800) | (green >> 5 & 0x07E0) | blue >> 11;
    if (high_first) {
        below = below << 8 | below >> 8;
    }
    memcpy(at, &below, sizeof below);
}
#endif

#endif
