/*
 * Drawing with an ordered dither: greys, colours and pictures on formats of few colours, such as
 * those of e-paper. Without it every pixel becomes the nearest colour that the format has.
 *
 *   struct jl_dithered dithered;
 *   jl_dither(&dithered, &frame);
 *   jl_fill_circle(&dithered.target, 60, 60, 40, JL_GREY(170));   // two dots of three are white
 *   jl_text(&frame.target, 8, 8, "without", &style);
 *
 * With bands call it in each of them, on bands.frame.
 */
#ifndef JADELAMP_DITHER_H
#define JADELAMP_DITHER_H

#include "jadelamp/frame.h"

#ifdef __cplusplus
extern "C" {
#endif

/** A target that draws on a frame. The caller's memory; draw on `target`. */
struct jl_dithered {
    struct jl_target target;
    struct jl_frame *frame;
};

/**
 * Sets it up with the size, the turn and the clip that the frame's target has now. On formats
 * without colours the luminance is dithered, on others each channel, by the 8x8 Bayer matrix as in
 * jl_fill_gradient(). Black and white stay as they are. Frames of indices (jl_palette1 to
 * jl_palette8) take the nearest colour as before.
 *
 * @param frame must outlive it; one whose jl_frame_init() failed is fine, and stays empty
 */
void jl_dither(struct jl_dithered *dithered, struct jl_frame *frame);

#ifdef __cplusplus
}
#endif

#endif
