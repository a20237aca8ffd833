/*
 * Shapes. A fill is solid, a stroke is its outline, and every stroke is a part of the
 * fill of the same shape. The definitions below are exact: which pixels belong to a
 * shape does not depend on the target, the format, the clip, the turn or bands.
 *
 * Rules as in draw.h: any int16_t is safe, nothing is allocated. Circles, ellipses,
 * polygons, polylines and rings set each pixel once, so inverting and blending work.
 */
#ifndef JADELAMP_SHAPES_H
#define JADELAMP_SHAPES_H

#include <stddef.h>

#include "jadelamp/draw.h"

#ifdef __cplusplus
extern "C" {
#endif

/**
 * A line of a width, with flat ends: the pixels whose centre lies within width / 2 of
 * the line and between its ends. Exactly: with d = b - a, p from a, and L = the whole
 * part of the length of d: 0 <= p.d <= d.d and 2 |p x d| <= width * L, and always the
 * pixels of jl_draw_line(). Width 1 or less is jl_draw_line(), as is a line without length, which
 * has no direction to be wide in: put jl_fill_circle() at the joints of a stroke.
 */
void jl_draw_wide_line(struct jl_target *target, struct jl_point a, struct jl_point b,
                       int16_t width, jl_color color);

/** Lines from point to point; 0 or 1 points draw nothing. The points are the caller's. */
void jl_draw_polyline(struct jl_target *target, const struct jl_point *points, size_t count,
                      jl_color color);

/**
 * A cubic Bezier curve from p[0] to p[3], as a polyline of 32 lines: point i is the exact
 * curve at i/32, rounded to the nearest (a half upwards).
 */
void jl_draw_bezier(struct jl_target *target, const struct jl_point p[4], jl_color color);

/**
 * A disc: the pixels with dx^2 + dy^2 <= r^2 + r, which is within r + 1/2 of the centre.
 * A negative radius draws nothing, 0 one pixel.
 */
void jl_fill_circle(struct jl_target *target, int16_t x, int16_t y, int16_t radius, jl_color color);

/** A circle: the pixels of the disc that touch the outside at one of their four sides. */
void jl_stroke_circle(struct jl_target *target, int16_t x, int16_t y, int16_t radius,
                      jl_color color);

/**
 * An ellipse with half axes of rx and ry: (2 dx (2 ry + 1))^2 + (2 dy (2 rx + 1))^2 <=
 * ((2 rx + 1) (2 ry + 1))^2. With rx = ry it is the circle.
 */
void jl_fill_ellipse(struct jl_target *target, int16_t x, int16_t y, int16_t rx, int16_t ry,
                     jl_color color);

/** Its outline: the pixels that touch the outside at one of their four sides. */
void jl_stroke_ellipse(struct jl_target *target, int16_t x, int16_t y, int16_t rx, int16_t ry,
                       jl_color color);

/**
 * A rectangle whose corners are quarters of jl_fill_circle(). The radius is cut to what
 * fits: half of the shorter side less one, rounded down.
 */
void jl_fill_rounded(struct jl_target *target, struct jl_rect rect, int16_t radius, jl_color color);

/** Its outline: the pixels that touch the outside at one of their four sides. */
void jl_stroke_rounded(struct jl_target *target, struct jl_rect rect, int16_t radius,
                       jl_color color);

/**
 * A polygon: the pixels whose centre is inside by the even-odd rule, and those of
 * jl_stroke_polygon(). The path closes by itself. Fewer than 3 points draw what their
 * stroke draws. Time grows with the square of the points, no memory is needed.
 */
void jl_fill_polygon(struct jl_target *target, const struct jl_point *points, size_t count,
                     jl_color color);

/** The closed outline of lines; 1 point is a pixel, 0 points nothing. */
void jl_stroke_polygon(struct jl_target *target, const struct jl_point *points, size_t count,
                       jl_color color);

/** A triangle: jl_fill_polygon() of three points. */
void jl_fill_triangle(struct jl_target *target, struct jl_point a, struct jl_point b,
                      struct jl_point c, jl_color color);
void jl_stroke_triangle(struct jl_target *target, struct jl_point a, struct jl_point b,
                        struct jl_point c, jl_color color);

/**
 * Directions, as on a compass: 0 is up, clockwise, 65536 is a whole turn.
 */
typedef uint16_t jl_direction;

/** A direction from degrees, 0..360; a constant expression for constants. */
#define JL_DEGREES(degrees) ((jl_direction)((uint32_t)(degrees)*65536u / 360u))

/** Sine of a direction, -16384..16384 for -1..1, within 2/16384; the direction's x on the glass. */
int16_t jl_sine(jl_direction direction);

/** Cosine, the same way; minus the direction's y on the glass. */
int16_t jl_cosine(jl_direction direction);

/**
 * The place at a distance from another one, to the nearest pixel: the tip of a needle, a mark on a
 * dial, a number beside it. The exact place is from + distance * (sine, -cosine) / 16384, with
 * jl_sine() and jl_cosine(); halves are rounded away from `from`. What leaves the coordinates is
 * cut to them.
 */
struct jl_point jl_point_at(struct jl_point from, jl_direction direction, int16_t distance);

/** How far to go round, from degrees: 360 is a whole turn; a constant expression for constants. */
#define JL_SWEEP(degrees) ((uint32_t)(degrees)*65536u / 360u)

/** The same from a value of a scale: sweep JL_SWEEP(270) * value / most, in 64 bits. */
#define JL_SWEEP_OF(sweep, value, most) ((uint32_t)((uint64_t)(sweep) * (value) / (most)))

/**
 * A sector of a ring, for gauges: of the disc of `outer` radius without the disc of
 * `inner` - 1 (inner 0 or less: no hole), the pixels whose direction from the centre
 * lies from `start` clockwise to start + sweep, both included. A sweep of 0 draws nothing, one
 * of JL_SWEEP(360) = 65536 or more the whole ring. A pixel at (dx, dy) lies clockwise of a
 * direction when dx * cos + dy * sin >= 0, with jl_sine() and jl_cosine(); the centre
 * itself always belongs when there is no hole.
 */
void jl_fill_ring(struct jl_target *target, int16_t x, int16_t y, int16_t outer, int16_t inner,
                  jl_direction start, uint32_t sweep, jl_color color);

/** An arc one pixel wide: the ring of inner = outer = radius. */
void jl_draw_arc(struct jl_target *target, int16_t x, int16_t y, int16_t radius, jl_direction start,
                 uint32_t sweep, jl_color color);

/** Along which axis a gradient runs. */
enum jl_axis { JL_AXIS_X, JL_AXIS_Y };

/**
 * A linear gradient: the first column (row) is `from`, the last is `to`, each channel
 * between them is rounded to the nearest (a half upwards).
 *
 * @param bits how many bits of each channel the format has, for an ordered dither where
 *        it is coarse: &format->channel_bits[0], or NULL for none. The dither adds to a
 *        channel of n bits (B - 31.5) / 64 steps of 255 / (2^n - 1), where B is the 8x8
 *        Bayer matrix at the picture's x and y modulo 8.
 */
void jl_fill_gradient(struct jl_target *target, struct jl_rect rect, enum jl_axis axis,
                      jl_color from, jl_color to, const uint8_t bits[3]);

/** 8x8 patterns: bit 7 of byte 0 is the pixel at picture coordinates that are 0 modulo 8. */
extern const uint8_t jl_pattern_checker[8]; /**< single pixels */
extern const uint8_t jl_pattern_hatch[8];   /**< lines rising to the right, every fourth */
extern const uint8_t jl_pattern_cross[8];   /**< lines in both directions */
extern const uint8_t jl_pattern_dots[8];    /**< a dot in every 4x4 */

/** Fills with a repeated pattern: set bits in ink, others in paper; either may be JL_CLEAR. */
void jl_fill_pattern(struct jl_target *target, struct jl_rect rect, const uint8_t pattern[8],
                     jl_color ink, jl_color paper);

#ifdef __cplusplus
}
#endif

#endif
