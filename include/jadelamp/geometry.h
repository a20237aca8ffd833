/*
 * Rectangles in pixels. x grows to the right, y grows downwards, and (0, 0) is
 * the top left pixel of the picture as a person sees it.
 *
 * Every function is safe for every int16_t value, is pure, and may be called
 * from any context.
 */
#ifndef JADELAMP_GEOMETRY_H
#define JADELAMP_GEOMETRY_H

#include <stdbool.h>
#include <stdint.h>

#ifdef __cplusplus
extern "C" {
#endif

/** A place in picture coordinates, pixels. */
struct jl_point {
    int16_t x, y;
};

/** Columns x .. x+w-1, rows y .. y+h-1. Empty when w or h is zero or less. */
struct jl_rect {
    int16_t x; /**< left column, pixels */
    int16_t y; /**< top row, pixels */
    int16_t w; /**< width, pixels */
    int16_t h; /**< height, pixels */
};

/** True when the rectangle holds no pixel. */
bool jl_rect_is_empty(struct jl_rect r);

/**
 * The pixels that are in both. An empty result has w = h = 0.
 * Edges past 32767 are handled (x + w is computed in 32 bits).
 */
struct jl_rect jl_rect_intersect(struct jl_rect a, struct jl_rect b);

/**
 * The smallest rectangle around both; an empty one adds nothing.
 * A result wider or higher than 32767 is cut to 32767.
 */
struct jl_rect jl_rect_around(struct jl_rect a, struct jl_rect b);

#ifdef __cplusplus
}
#endif

#endif
