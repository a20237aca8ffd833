/* Made by jadelamp bake frames buoy-0.png buoy-1.png buoy-2.png buoy-3.png buoy-4.png buoy-5.png buoy-6.png buoy-7.png --name notice_buoy --into baked --format palette4 --time 120 */
#ifndef NOTICE_BUOY_H
#define NOTICE_BUOY_H

#include "jadelamp/animation.h"

/*
 * 8 pictures of 56 x 40 pixels, palette4, as 18 rectangles: 2107 bytes of pixels, 720 of places;
 * all of them whole would be 8960.
 */
extern const struct jl_animation notice_buoy;

#endif
