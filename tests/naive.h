/*
 * The naive reference: drawing by definition, pixel by pixel, in wide integers,
 * with no clipping but a test of each pixel. Slow and obvious. It shares no code
 * with the library; its fonts are the text art. Each shape is a question asked of
 * every pixel, so each pixel is set once.
 */
#ifndef JADELAMP_TESTS_NAIVE_H
#define JADELAMP_TESTS_NAIVE_H

#include <stdbool.h>
#include <stdint.h>

#include "jadelamp/shapes.h"
#include "jadelamp/sim/picture.h"

enum { NAIVE_SIDE = 1024, NAIVE_GLYPHS = 128 };

/* What a format makes of a colour, as the colour that is seen. */
typedef jl_color (*naive_quantize_fn)(jl_color color);

/* A picture with a clip and a mode, in picture coordinates. */
struct naive {
    int width, height;
    struct jl_rect clip;
    enum jl_mode mode;
    int alpha;
    naive_quantize_fn quantize;          /* NULL: black and white */
    jl_color px[NAIVE_SIDE][NAIVE_SIDE]; /* [y][x] */
};

void naive_init(struct naive *n, int width, int height);
void naive_put(struct naive *n, int64_t x, int64_t y, jl_color color);
void naive_fill(struct naive *n, struct jl_rect r, jl_color color);
void naive_stroke(struct naive *n, struct jl_rect r, jl_color color);
void naive_line(struct naive *n, int x0, int y0, int x1, int y1, jl_color color);
void naive_bitmap(struct naive *n, int x, int y, const struct jl_bitmap *map, jl_color ink,
                  jl_color paper);
/* ASCII only; what the art lacks is the box of 5x7. */
void naive_text(struct naive *n, int x, int y, const char *text, jl_color ink, jl_color paper);

/* The shapes of shapes.h. */
void naive_wide_line(struct naive *n, struct jl_point a, struct jl_point b, int width, jl_color c);
void naive_path(struct naive *n, const struct jl_point *points, int count, bool closed,
                jl_color color);
void naive_bezier(struct naive *n, const struct jl_point p[4], jl_color c);
void naive_ellipse(struct naive *n, int x, int y, int rx, int ry, bool stroke, jl_color c);
void naive_rounded(struct naive *n, struct jl_rect r, int radius, bool stroke, jl_color c);
void naive_polygon(struct naive *n, const struct jl_point *points, int count, jl_color c);
void naive_ring(struct naive *n, int x, int y, int outer, int inner, jl_direction start,
                uint32_t sweep, jl_color c);
/* A channel of so many bits at a place of Bayer's matrix. */
int naive_dithered(int channel, int x, int y, int bits);
void naive_gradient(struct naive *n, struct jl_rect r, enum jl_axis axis, jl_color from,
                    jl_color to, const uint8_t *bits);
void naive_pattern(struct naive *n, struct jl_rect r, const uint8_t *pattern, jl_color ink,
                   jl_color paper);

/* The test card as draw.h describes it. */
void naive_test_card(struct naive *n, const char *title);
/* The same for colours, or for greys. */
void naive_paper_test_card(struct naive *n, const char *title);
void naive_shades_test_card(struct naive *n, const char *title, bool colors);

/* As a picture of black and white; the caller frees it. */
bool naive_picture(const struct naive *n, struct jl_picture *picture);

/* 5x8 glyphs of fonts/6x8.txt by code point; false when the art lacks one. */
bool naive_glyph(unsigned code, bool out[8][5]);

#endif
