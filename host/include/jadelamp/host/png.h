/*
 * Pictures as PNG files (libpng), and their comparison.
 */
#ifndef JADELAMP_HOST_PNG_H
#define JADELAMP_HOST_PNG_H

#include "jadelamp/host/complaint.h"
#include "jadelamp/sim/picture.h"

#ifdef __cplusplus
extern "C" {
#endif

/** Writes a picture; the file appears whole or not at all. */
bool jl_png_write(const char *path, const struct jl_picture *picture,
                  struct jl_complaint *complaint);

/** Reads a PNG of at most 16384 pixels a side into a new picture; the caller frees it. */
bool jl_png_read(const char *path, struct jl_picture *picture, struct jl_complaint *complaint);

/**
 * Counts the pixels that differ; pixels that only one of the two has count too.
 *
 * @param difference NULL, or receives a new picture: both dimmed where they
 *        agree, red where only the first is lighter, green where only the
 *        second is; the caller frees it
 */
long jl_picture_compare(const struct jl_picture *a, const struct jl_picture *b,
                        struct jl_picture *difference);

#ifdef __cplusplus
}
#endif

#endif
