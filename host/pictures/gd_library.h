/*
 * libgd, loaded when the first picture is read or animated. It brings fifty libraries with it, for
 * formats that we do not read: linked, they would be most of what a start of the command takes.
 */
#ifndef JADELAMP_HOST_GD_LIBRARY_H
#define JADELAMP_HOST_GD_LIBRARY_H

#include "jadelamp/host/complaint.h"

#include <gd.h>
#include <stdbool.h>

#define GD_FUNCTIONS(X)                                                                            \
    X(gdFree)                                                                                      \
    X(gdImageCreateFromBmpPtr)                                                                     \
    X(gdImageCreateFromGifPtr)                                                                     \
    X(gdImageCreateFromJpegPtr)                                                                    \
    X(gdImageCreateFromPngPtr)                                                                     \
    X(gdImageCreateTrueColor)                                                                      \
    X(gdImageDestroy)                                                                              \
    X(gdImageGifAnimAddPtr)                                                                        \
    X(gdImageGifAnimBeginPtr)                                                                      \
    X(gdImageGifAnimEndPtr)                                                                        \
    X(gdImagePaletteToTrueColor)                                                                   \
    X(gdImageScale)                                                                                \
    X(gdImageSetInterpolationMethod)                                                               \
    X(gdImageSetPixel)                                                                             \
    X(gdImageTrueColorToPalette)                                                                   \
    X(gdSetErrorMethod)

/* Its functions by their names. */
struct gd_library {
#define GD_MEMBER(name) __typeof__(name) *name;
    GD_FUNCTIONS(GD_MEMBER)
#undef GD_MEMBER
};

/* NULL after complaining, where it is not installed. A complaint may be NULL. */
const struct gd_library *jl_host_gd(struct jl_complaint *complaint);

#endif
