/*
 * Smooth shapes are asked for one thing: where a horizontal line, infinitely thin, cuts them. From
 * such cuts at the edges of a row the engine makes areas.
 *
 * Units: columns in 1/256 of a pixel, lines in 1/32. Points of shapes lie on sixteenths, so
 * that a line at an odd 32nd never meets one.
 */
#ifndef JADELAMP_SRC_CUT_H
#define JADELAMP_SRC_CUT_H

#include "../core/paint.h"
#include "jadelamp/smooth.h"

enum {
    JL_CUT_SPANS = 10,  /* that a cut may have */
    JL_CUT_LINES = 32,  /* lines of a row */
    JL_CUT_WINDOW = 120 /* pixels that are looked at at a time; columns around them fit int16_t */
};

/* Beyond the window by two pixels nothing matters but on which side it is: columns of spans. */
enum { JL_CUT_FIRST = -2 * 256, JL_CUT_LAST = (JL_CUT_WINDOW + 2) * 256 };

/* What `aside` may say, besides a square. */
#define JL_CUT_A_PIXEL  INT32_C(65536)
#define JL_CUT_STRAIGHT INT32_MAX
#define JL_CUT_CORNER   (-1)

/* What a line cuts: from left to right, none of them touching another. */
struct jl_cut {
    int32_t left; /* column at which the window begins; the spans count from there */
    uint8_t count;
    bool joined; /* fewer than there are: some have become one, or lie beyond the window */
    union {
        struct {
            int16_t from, to;
        } spans[JL_CUT_SPANS];
        int16_t ends[2 * JL_CUT_SPANS];
    };
};

struct jl_smooth_shape {
    /* Adds the spans of the line y to an empty cut. */
    void (*cut)(const void *context, int32_t y, struct jl_cut *cut);
    /* How far aside a side may go in a band between these two lines, to count as straight: the
     * square of the columns; JL_CUT_STRAIGHT where it is, JL_CUT_CORNER where there are corners. */
    int32_t (*aside)(const void *context, int32_t top, int32_t bottom);
    const void *context;
    int32_t left, right, top, bottom; /* what it lies within: columns, lines */
    int32_t level_top, level_bottom;  /* lines between which all cuts are the same, or none */
    bool mirrored; /* its lower half is its upper half, mirrored, and its right one its left */
};

/* Adds what is between two columns, joined with what it touches. */
void jl_cut_add(struct jl_cut *cut, int32_t from, int32_t to);

/* Takes away what is between two columns. */
void jl_cut_take(struct jl_cut *cut, int32_t from, int32_t to);

/* Sets what a shape lies within: its points, and so many lines around each. */
void jl_smooth_within(struct jl_smooth_shape *shape, const struct jl_point *points, size_t count,
                      int32_t lines);

void jl_smooth_paint(struct jl_target *target, const struct jl_smooth_shape *shape, jl_color ink,
                     jl_color paper);

/* Whether edges are hard on a target, with such a paper. */
bool jl_smooth_is_hard(const struct jl_target *target, jl_color paper);

/*
 * How far a disc reaches on either side of its middle, in columns, on a line so many lines from
 * it; the radius in lines. -1: not at all. Rounded down.
 */
int32_t jl_disc_reach(uint32_t radius, int32_t away);

/* How far aside a circle of this radius, in lines, may go in a band of so many lines: an arc is
 * then no more than 1/32 of a pixel off its chord. */
static inline int32_t jl_disc_aside(int32_t radius, int32_t lines) {
    /* A chord of length c is c * c / 8r off, so its square is a quarter of the radius; eight
     * columns a line. The radius is below 2^16. */
    return radius * 512 - lines * lines * 64;
}

/* The same of the tighter one of two curves. */
static inline int32_t jl_tighter(int32_t a, int32_t b) {
    return a < b ? a : b;
}

/* The whole part of the root. */
uint32_t jl_root(uint32_t n);

/* A straight side, upper end first. */
struct jl_side {
    int32_t top, bottom; /* lines */
    int32_t x;           /* column at the top */
    int32_t slope;       /* columns a line, in 1/4096 */
};

/* From two points, columns and lines. A level one is never cut. */
struct jl_side jl_side_of(int32_t x0, int32_t y0, int32_t x1, int32_t y1);

/* Whether the line cuts it, and where. The upper end belongs to it, the lower one does not. */
static inline bool jl_side_cut(const struct jl_side *side, int32_t y, int32_t *x) {
    if (y < side->top || y >= side->bottom) {
        return false;
    }
    *x = side->x + (int32_t)(((int64_t)side->slope * (y - side->top)) >> 12);
    return true;
}

#endif
