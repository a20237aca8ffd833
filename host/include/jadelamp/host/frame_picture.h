/*
 * Frames as pictures on the desktop.
 */
#ifndef JADELAMP_HOST_FRAME_PICTURE_H
#define JADELAMP_HOST_FRAME_PICTURE_H

#include "jadelamp/frame.h"
#include "jadelamp/sim/picture.h"

#ifdef __cplusplus
extern "C" {
#endif

/** A new picture of what a frame of any format holds; the caller frees it. False: no memory. */
bool jl_frame_picture(const struct jl_frame *frame, struct jl_picture *picture);

/** The picture with each pixel as a square of scale x scale; a new one, the caller frees it. */
bool jl_picture_enlarge(const struct jl_picture *picture, int scale, struct jl_picture *larger);

/** The picture turned clockwise by quarters, 0..3; a new one, the caller frees it. */
bool jl_picture_turn(const struct jl_picture *picture, int quarters, struct jl_picture *turned);

/** Copies a picture into another with its top left at (x, y); what reaches outside is cut. */
void jl_picture_place(struct jl_picture *onto, const struct jl_picture *picture, int x, int y);

/**
 * A new picture of the frame, enlarged, with each damage rectangle outlined in red and
 * dimmed outside: what the next present will send.
 */
bool jl_damage_picture(const struct jl_frame *frame, int scale, struct jl_picture *picture);

#ifdef __cplusplus
}
#endif

#endif
