/*
 * Smooth shapes, for glass with shades: pixels at the edge get as much of the ink as the shape
 * covers of them. Integers only, no memory beyond 1 KiB of stack.
 *
 * Places and sizes are in sixteenths of a pixel: JL_FINE(10) is the left or upper edge of pixel
 * 10, JL_FINE(10) + 8 its middle. A circle of radius r about pixel (x, y) as jl_fill_circle()
 * draws it is the disc of JL_FINE(r) + 8 about (JL_FINE(x) + 8, JL_FINE(y) + 8).
 *
 * The share of a pixel is its covered area to 1/16 or better; docs/drawing.md has the largest
 * error that was measured. On targets without shades (1 bit, 2 bits, palettes, black, white
 * and red) and in JL_MODE_INVERT the shapes are hard: pixels whose middle is covered, lines at
 * least a pixel wide.
 *
 * Paper: JL_CLEAR mixes with what is there; a colour is taken for what is there, so nothing is
 * read back. The second is for jl_direct, which cannot read (there JL_CLEAR makes hard edges),
 * and it is faster elsewhere, too. Pixels that are not covered are left alone in both cases.
 *
 * Rules as in draw.h: any int16_t is safe, nothing is allocated, each pixel is set once.
 */
#ifndef JADELAMP_SMOOTH_H
#define JADELAMP_SMOOTH_H

#include <stddef.h>

#include "jadelamp/shapes.h"

#ifdef __cplusplus
extern "C" {
#endif

/** Whole pixels, -2048..2047, in sixteenths; a constant expression for constants. */
#define JL_FINE(pixels) ((int16_t)((pixels)*16))

/** The middle of a pixel, in sixteenths. */
static inline struct jl_point jl_fine_middle(int16_t x, int16_t y) {
    struct jl_point middle = {(int16_t)(x * 16 + 8), (int16_t)(y * 16 + 8)};
    return middle;
}

/** How lines and arcs end. */
enum jl_ends {
    JL_ENDS_FLAT,  /**< at their points */
    JL_ENDS_ROUND, /**< with half a disc beyond them */
};

/** A disc; a radius of 0 or less draws nothing. */
void jl_smooth_disc(struct jl_target *target, struct jl_point centre, int16_t radius, jl_color ink,
                    jl_color paper);

/** A ring between two radii; an inner one of 0 or less makes a disc. */
void jl_smooth_ring(struct jl_target *target, struct jl_point centre, int16_t outer, int16_t inner,
                    jl_color ink, jl_color paper);

/**
 * A part of a ring, clockwise from `start`; a sweep of 65536 or more is the whole ring. The ends
 * are along the radius, or round: half a disc as wide as the ring, beyond the sweep.
 */
void jl_smooth_arc(struct jl_target *target, struct jl_point centre, int16_t outer, int16_t inner,
                   jl_direction start, uint32_t sweep, enum jl_ends ends, jl_color ink,
                   jl_color paper);

/**
 * A line of a width, 1..8160 (more counts as that). Without length it is a disc with round
 * ends, and nothing with flat ones.
 */
void jl_smooth_line(struct jl_target *target, struct jl_point a, struct jl_point b, int16_t width,
                    enum jl_ends ends, jl_color ink, jl_color paper);

/**
 * Lines from point to point with round joints. Where more than 9 strokes lie side by side
 * within 120 columns of a row, the gaps that are the smallest may be lost.
 *
 * @param points the caller's; 0 or 1 points draw nothing
 */
void jl_smooth_polyline(struct jl_target *target, const struct jl_point *points, size_t count,
                        int16_t width, enum jl_ends ends, jl_color ink, jl_color paper);

/**
 * A polygon by the even-odd rule; the path closes by itself. Up to 32 sides may cross a row. Time
 * grows with the points for each row.
 *
 * @param points the caller's; fewer than 3 draw nothing
 */
void jl_smooth_polygon(struct jl_target *target, const struct jl_point *points, size_t count,
                       jl_color ink, jl_color paper);

/**
 * A needle: from its point, `length` from the pivot in a direction, to a flat end `tail` behind
 * the pivot. It is as wide as `width` at the pivot, and gets wider towards the tail.
 */
void jl_smooth_needle(struct jl_target *target, struct jl_point pivot, jl_direction direction,
                      int16_t length, int16_t tail, int16_t width, jl_color ink, jl_color paper);

/** A rectangle with corners of a radius, which is cut to half of the shorter side. */
void jl_smooth_rounded(struct jl_target *target, struct jl_rect rect, int16_t radius, jl_color ink,
                       jl_color paper);

/** Its frame: what lies within a width of the edge; the inner corners have the same middle. */
void jl_smooth_rounded_frame(struct jl_target *target, struct jl_rect rect, int16_t radius,
                             int16_t width, jl_color ink, jl_color paper);

#ifdef __cplusplus
}
#endif

#endif
