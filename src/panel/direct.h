/* Streaming an area piece by piece through a small buffer. */
#ifndef JADELAMP_SRC_DIRECT_H
#define JADELAMP_SRC_DIRECT_H

#include "jadelamp/direct.h"

/* Draws a part of an operation on a piece; (x, y) is the part's place in the picture. */
typedef void (*jl_piece_fn)(struct jl_frame *piece, struct jl_rect area, int16_t x, int16_t y,
                            const void *context);

/* One window, filled with pieces that `draw` makes in the direct target's buffer. */
void jl_direct_stream(struct jl_direct *direct, struct jl_rect area, jl_piece_fn draw,
                      const void *context);

#endif
