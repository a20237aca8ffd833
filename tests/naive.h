/*
 * The naive reference: drawing by definition, pixel by pixel, in wide integers,
 * with no clipping but a test of each pixel. Slow and obvious. It shares no code
 * with the library; its font is the text art.
 */
#ifndef JADELAMP_TESTS_NAIVE_H
#define JADELAMP_TESTS_NAIVE_H

#include <stdbool.h>
#include <stdint.h>

#include "jadelamp/draw.h"
#include "jadelamp/sim/picture.h"

enum { NAIVE_SIDE = 256, NAIVE_GLYPHS = 128 };

/* A 1-bit picture with a clip. */
struct naive {
    int width, height;
    struct jl_rect clip;
    bool lit[NAIVE_SIDE][NAIVE_SIDE]; /* [y][x] */
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

/* The test card as draw.h describes it. */
void naive_test_card(struct naive *n, const char *title);

/* As a picture of black and white; the caller frees it. */
bool naive_picture(const struct naive *n, struct jl_picture *picture);

/* 5x8 glyphs of fonts/6x8.txt by code point; false when the art lacks one. */
bool naive_glyph(unsigned code, bool out[8][5]);

#endif
