/* A solid fill from memory that holds a pixel many times. */
#ifndef JADELAMP_SRC_PATTERN_FILL_H
#define JADELAMP_SRC_PATTERN_FILL_H

#include "../core/lone.h"
#include "jadelamp/panel.h"

/* Bytes of the least that can be repeated: a pixel, or 8 of them. */
static inline uint8_t jl_pixel_bytes(const struct jl_panel *panel) {
    return (uint8_t)((jl_format_of(panel)->bits_per_pixel + 7) >> 3);
}

/* By the bus's send(). */
jl_status jl_pattern_fill(const struct jl_panel *panel, const uint8_t *pixel, uint32_t total_bytes);

#endif
