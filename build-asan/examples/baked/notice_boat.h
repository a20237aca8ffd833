/* Made by jadelamp bake picture boat.png --name notice_boat --into baked --format palette4 --size 72x64 */
#ifndef NOTICE_BOAT_H
#define NOTICE_BOAT_H

#include "jadelamp/image.h"

/*
 * 72 x 64 pixels, palette4: rows, the left pixel in the high nibble.
 * 1082 bytes of pixels, packed from 2304, 64 of palette.
 */
extern const struct jl_image notice_boat;

#endif
