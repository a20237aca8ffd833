/*
 * Colours, the same for every target: 0x00RRGGBB, 8 bits a channel.
 * A target turns them into what its pixels can hold, rounding to the nearest.
 */
#ifndef JADELAMP_COLOR_H
#define JADELAMP_COLOR_H

#include <stdbool.h>
#include <stdint.h>

#ifdef __cplusplus
extern "C" {
#endif

/**
 * 0x00RRGGBB, or JL_CLEAR. The top byte is transparency: 0 is solid, 255 is JL_CLEAR. What
 * lies between is for the soft edges of glyphs; fills and stencils take solid or clear.
 */
typedef uint32_t jl_color;

/** A colour from three channels, 0..255 each; a constant expression. */
#define JL_RGB(r, g, b) (((jl_color)(r) << 16) | ((jl_color)(g) << 8) | (jl_color)(b))

/** A colour from three channels in percent, 0..100 each; a constant expression. */
#define JL_RGB_PERCENT(r, g, b)                                                                    \
    JL_RGB(((r)*255 + 50) / 100, ((g)*255 + 50) / 100, ((b)*255 + 50) / 100)

/** A grey, 0..255. */
#define JL_GREY(level) JL_RGB(level, level, level)

/** No colour: leaves the pixels as they are. As paper it makes text transparent. */
#define JL_CLEAR ((jl_color)0xFF000000)

/* Named colours: the sixteen basic keywords of CSS Color Module Level 4, section 6.1, and orange.
 */
#define JL_BLACK   JL_RGB(0, 0, 0)
#define JL_SILVER  JL_RGB(192, 192, 192)
#define JL_GRAY    JL_RGB(128, 128, 128)
#define JL_WHITE   JL_RGB(255, 255, 255)
#define JL_MAROON  JL_RGB(128, 0, 0)
#define JL_RED     JL_RGB(255, 0, 0)
#define JL_PURPLE  JL_RGB(128, 0, 128)
#define JL_FUCHSIA JL_RGB(255, 0, 255)
#define JL_GREEN   JL_RGB(0, 128, 0)
#define JL_LIME    JL_RGB(0, 255, 0)
#define JL_OLIVE   JL_RGB(128, 128, 0)
#define JL_YELLOW  JL_RGB(255, 255, 0)
#define JL_NAVY    JL_RGB(0, 0, 128)
#define JL_BLUE    JL_RGB(0, 0, 255)
#define JL_TEAL    JL_RGB(0, 128, 128)
#define JL_AQUA    JL_RGB(0, 255, 255)
#define JL_ORANGE  JL_RGB(255, 165, 0)

/** Channels of a colour, 0..255. */
static inline uint8_t jl_color_red(jl_color c) {
    return (uint8_t)(c >> 16);
}
static inline uint8_t jl_color_green(jl_color c) {
    return (uint8_t)(c >> 8);
}
static inline uint8_t jl_color_blue(jl_color c) {
    return (uint8_t)c;
}

/**
 * Luminance 0..255 of a colour, with the weights of ITU-R BT.601 in 1/256:
 * (77 R + 150 G + 29 B) / 256. The weights add up to 256, so a grey keeps its level.
 */
static inline uint8_t jl_color_luminance(jl_color c) {
    unsigned r = (uint8_t)(c >> 16);
    unsigned g = (uint8_t)(c >> 8);
    unsigned b = (uint8_t)c;
    return (uint8_t)((77 * r + 150 * g + 29 * b) >> 8); /* at most 65280 */
}

/**
 * A colour from hue, saturation and value.
 *
 * @param hue        degrees, 0 red, 120 green, 240 blue; taken modulo 360
 * @param saturation percent, 0 grey .. 100; more counts as 100
 * @param value      percent, 0 black .. 100; more counts as 100
 * @return each channel rounded to the nearest, halves up
 */
jl_color jl_color_hsv(uint16_t hue, uint8_t saturation, uint8_t value);

/**
 * Reads a colour as web pages write it, "#RRGGBB" (CSS Color Module Level 4, section 5.2), with
 * letters of either case.
 *
 * @param color receives it; not changed when the text is none
 * @return false: it is none
 */
bool jl_color_from_text(const char *text, jl_color *color);

/**
 * A channel of 0..255 in `bits` bits (1..8), to the nearest: value * (2^bits - 1) / 255.
 * Divides by 255 exactly with shifts, for all values in range.
 */
static inline uint8_t jl_channel_pack(uint32_t value, uint32_t bits) {
    uint32_t scaled = value * ((1u << bits) - 1) + 128;
    return (uint8_t)((scaled + (scaled >> 8)) >> 8);
}

/** Mixes two channels, 0..255, to the nearest: share 0 is all `from`, 255 all `to`. */
static inline uint32_t jl_channel_mix(uint32_t from, uint32_t to, uint32_t share) {
    uint32_t sum = from * (255 - share) + to * share + 128;
    return (sum + (sum >> 8)) >> 8;
}

/** Mixes two colours, channel by channel, each to the nearest as jl_channel_mix(). Red and blue go
 * through the same sums, 16 bits apart: no channel reaches into the next. */
static inline jl_color jl_color_mix(jl_color from, jl_color to, uint8_t share) {
    uint32_t rest = 255u - share;
    uint32_t red_blue = (from & 0xFF00FF) * rest + (to & 0xFF00FF) * share + 0x800080;
    uint32_t green = (from >> 8 & 0xFF) * rest + (to >> 8 & 0xFF) * share + 128;
    red_blue += red_blue >> 8 & 0xFF00FF;
    green += green >> 8;
    return (red_blue >> 8 & 0xFF00FF) | (green & 0xFF00);
}

#ifdef __cplusplus
}
#endif

#endif
