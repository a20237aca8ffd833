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

#ifdef __cplusplus
}
#endif

#endif
