/* Hue, saturation and value. */
#include "jadelamp/color.h"

/* percent / 100 of 255, times parts / 60, to the nearest: all in units of 1 / 600000. */
static uint32_t channel(uint32_t value, uint32_t saturation, uint32_t lack) {
    /* 255 * value / 100 * (1 - saturation / 100 * lack / 60) */
    uint32_t share = 6000 - saturation * lack;
    return (255 * value * share + 300000) / 600000;
}

jl_color jl_color_hsv(uint16_t hue, uint8_t saturation, uint8_t value) {
    uint32_t s = saturation < 100 ? saturation : 100;
    uint32_t v = value < 100 ? value : 100;
    uint32_t degrees = hue % 360u;
    uint32_t within = degrees % 60; /* of a sixth of the circle */
    uint32_t most = channel(v, s, 0), least = channel(v, s, 60);
    uint32_t falling = channel(v, s, within), rising = channel(v, s, 60 - within);
    switch (degrees / 60) {
    case 0:
        return JL_RGB(most, rising, least);
    case 1:
        return JL_RGB(falling, most, least);
    case 2:
        return JL_RGB(least, most, rising);
    case 3:
        return JL_RGB(least, falling, most);
    case 4:
        return JL_RGB(rising, least, most);
    default:
        return JL_RGB(most, least, falling);
    }
}
