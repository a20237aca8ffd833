/* Reading the pixels of a picture, whatever its format, packing, key and mask. */
#ifndef JADELAMP_SRC_IMAGE_READ_H
#define JADELAMP_SRC_IMAGE_READ_H

#include "../core/packing.h"

struct jl_image_reader {
    struct jl_frame frame; /* the picture as a frame that is only read */
    const struct jl_image *image;
    struct jl_unpacking *planes; /* of a packed image: one a plane; the caller's, zero at first */
};

struct jl_image_reader jl_image_open(const struct jl_image *image, struct jl_unpacking planes[2]);

/* Pixels x .. x+count-1 of row y, at most JL_CHUNK, all within the picture. */
void jl_image_read(const struct jl_image_reader *reader, int x, int y, int count, jl_color *row);

/* Fifteenths that a line of the mask leaves of a pixel. */
static inline uint8_t jl_mask_at(const struct jl_image *image, const uint8_t *line, int x) {
    return image->mask_bits == 4 ? (uint8_t)(line[x >> 1] >> (x & 1 ? 0 : 4) & 15)
                                 : (uint8_t)((line[x >> 3] >> (7 - (x & 7)) & 1) * 15);
}

#endif
