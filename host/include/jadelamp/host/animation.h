/*
 * Pictures one after the other as an animated GIF.
 */
#ifndef JADELAMP_HOST_ANIMATION_H
#define JADELAMP_HOST_ANIMATION_H

#include <stddef.h>
#include <stdint.h>

#include "jadelamp/host/complaint.h"
#include "jadelamp/sim/picture.h"

#ifdef __cplusplus
extern "C" {
#endif

/**
 * Writes pictures of one size, each shown for some milliseconds (to the nearest hundredth of a
 * second, 20 at least: viewers slow down what is shorter), again and again. Up to 256 colours a
 * picture are exact.
 */
bool jl_animation_write(const char *path, const struct jl_picture *pictures,
                        const uint32_t *milliseconds, size_t count, struct jl_complaint *complaint);

#ifdef __cplusplus
}
#endif

#endif
