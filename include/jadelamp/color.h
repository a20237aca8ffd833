/*
 * Colours, the same for every target: 0x00RRGGBB, 8 bits a channel.
 * A target turns them into what its pixels can hold.
 */
#ifndef JADELAMP_COLOR_H
#define JADELAMP_COLOR_H

#include <stdint.h>

/** 0x00RRGGBB, or JL_CLEAR. */
typedef uint32_t jl_color;

/** A colour from three channels, 0..255 each. */
#define JL_RGB(r, g, b) (((jl_color)(r) << 16) | ((jl_color)(g) << 8) | (jl_color)(b))

#define JL_BLACK JL_RGB(0, 0, 0)
#define JL_WHITE JL_RGB(255, 255, 255)

/** No colour: leaves the pixels as they are. As paper it makes text transparent. */
#define JL_CLEAR ((jl_color)0xFF000000)

/**
 * Luminance 0..255 of a colour, with the weights of ITU-R BT.601 in 1/256:
 * (77 R + 150 G + 29 B) / 256. The weights add up to 256, so white gives 255.
 */
static inline uint8_t jl_color_luminance(jl_color c) {
    uint32_t r = (c >> 16) & 0xFF;
    uint32_t g = (c >> 8) & 0xFF;
    uint32_t b = c & 0xFF;
    return (uint8_t)((77 * r + 150 * g + 29 * b) >> 8);
}

#endif
