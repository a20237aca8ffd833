/*
 * Pictures on the desktop: 8 bits for red, green and blue of each pixel.
 */
#ifndef JADELAMP_SIM_PICTURE_H
#define JADELAMP_SIM_PICTURE_H

#include <stdbool.h>
#include <stdint.h>

#ifdef __cplusplus
extern "C" {
#endif

/** A picture; rows from the top, no padding. `rgb` holds width * height * 3 bytes. */
struct jl_picture {
    int width;
    int height;
    uint8_t *rgb;
};

/** Allocates a black picture, 1..32767 pixels a side. False: no memory or a bad size. */
bool jl_picture_create(struct jl_picture *picture, int width, int height);

/** Frees the pixels; safe on a zeroed or freed picture. */
void jl_picture_free(struct jl_picture *picture);

/** The three bytes of a pixel; the caller keeps x and y inside. */
static inline uint8_t *jl_picture_at(const struct jl_picture *picture, int x, int y) {
    return picture->rgb + ((long)y * picture->width + x) * 3;
}

#ifdef __cplusplus
}
#endif

#endif
