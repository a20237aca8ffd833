/*
 * The pixel formats as their descriptions have them: how a pixel is read from memory, and
 * what becomes of a colour. Written from include/jadelamp/frame.h, for comparison with what
 * the library does.
 */
#ifndef JADELAMP_TESTS_KINDS_H
#define JADELAMP_TESTS_KINDS_H

#include "jadelamp/frame.h"
#include "naive.h"

struct kind {
    const char *name;
    const struct jl_format *format;
    jl_color (*see)(const uint8_t *memory, int w, int h, int x, int y);
    naive_quantize_fn store;
    int bits, planes;
    bool columns;  /* vertical bytes */
    bool inverts;  /* exclusive or of colours is that of the stored bits */
    bool low_bits; /* every value of a byte is a pixel: not so for 6-6-6 */
};

enum { KINDS = 16 };
extern const struct kind kinds[KINDS];

/* By its format; NULL when there is none. */
const struct kind *kind_of(const struct jl_format *format);

/* Bytes of a frame. */
size_t kind_bytes(const struct kind *kind, int width, int height);

#endif
