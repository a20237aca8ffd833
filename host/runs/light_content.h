/* What first light shows: the test card, or something else. */
#ifndef JADELAMP_HOST_LIGHT_CONTENT_H
#define JADELAMP_HOST_LIGHT_CONTENT_H

#include "jadelamp/host/bake_picture.h"
#include "jadelamp/host/rig.h"

/* The test card of the frame's format. */
void jl_host_draw_test_card(struct jl_frame *frame, const char *title);

/* Wrapped text in the middle, in the largest font of the library that fits. */
void jl_host_draw_text(struct jl_frame *frame, const char *text);

/* Text row by row; what is wider than a row goes on in the next one. */
jl_status jl_host_cells_text(struct jl_char_panel *panel, const char *text);

/* Reads a picture and bakes it for the rig's frame. False: the complaint says why. */
bool jl_host_bake_for(const struct jl_rig *rig, const char *path, struct jl_baked_picture *baked,
                      struct jl_complaint *complaint);

/* In the middle, on black. */
void jl_host_draw_picture(struct jl_frame *frame, const struct jl_baked_picture *baked);

#endif
