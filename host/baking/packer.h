/* Packing pictures into runs, as image.h describes it. */
#ifndef JADELAMP_HOST_PACKER_H
#define JADELAMP_HOST_PACKER_H

#include "jadelamp/image.h"

/* Packs a plain image. `out` NULL: only counts. Returns the bytes. */
size_t jl_host_pack_image(const struct jl_image *image, uint8_t *out);

#endif
