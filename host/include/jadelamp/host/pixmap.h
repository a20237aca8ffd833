/*
 * Pictures as people have them: PNG, JPEG, GIF and BMP, read, cut, turned and scaled.
 */
#ifndef JADELAMP_HOST_PIXMAP_H
#define JADELAMP_HOST_PIXMAP_H

#include <stddef.h>
#include <stdint.h>

#include "jadelamp/host/complaint.h"

#ifdef __cplusplus
extern "C" {
#endif

/** Largest side, and most pixels, of a picture that is read: what claims more is refused. */
enum { JL_PIXMAP_SIDE = 16384, JL_PIXMAP_PIXELS = 1 << 25 };

/** A picture with transparency; rows from the top. `rgba` holds 4 bytes a pixel, 255 is solid. */
struct jl_pixmap {
    int width, height;
    uint8_t *rgba;
};

/** Allocates a clear one. False: no memory, or a size that is refused. */
bool jl_pixmap_create(struct jl_pixmap *pixmap, int width, int height);

/** Frees the pixels; safe on a zeroed or freed one. */
void jl_pixmap_free(struct jl_pixmap *pixmap);

/** Reads a file, whatever its name ends with. False: the complaint says what was read. */
bool jl_pixmap_read(const char *path, struct jl_pixmap *pixmap, struct jl_complaint *complaint);

/** Cuts a rectangle out, in place. False: it reaches outside. */
bool jl_pixmap_crop(struct jl_pixmap *pixmap, int x, int y, int width, int height);

/** Turns clockwise by quarters, in place. False: no memory. */
bool jl_pixmap_turn(struct jl_pixmap *pixmap, int quarters);

/** Scales with a good filter, in place. False: no memory, or a size that is refused. */
bool jl_pixmap_scale(struct jl_pixmap *pixmap, int width, int height);

/**
 * The colours that stand best for all of it.
 *
 * @param most 2..256
 * @param palette receives `most` colours, 0x00RRGGBB, unused ones black
 * @return how many are used; 0: no memory
 */
int jl_pixmap_palette(const struct jl_pixmap *pixmap, int most, uint32_t *palette);

#ifdef __cplusplus
}
#endif

#endif
