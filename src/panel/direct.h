/* Streaming an area piece by piece through a small buffer. */
#ifndef JADELAMP_SRC_DIRECT_H
#define JADELAMP_SRC_DIRECT_H

#include "../core/lone.h"
#include "../core/paint.h"
#include "area.h"
#include "jadelamp/direct.h"
#include "units.h"

/* Draws a part of an operation on a piece; (x, y) is the part's place in the picture. */
typedef void (*jl_piece_fn)(struct jl_frame *piece, struct jl_rect area, int16_t x, int16_t y,
                            const void *context);

/*
 * What is under way ends first; a panel that sleeps takes no pixels, and may be resumed. What the
 * controller keeps of addresses counts on through a row of drawings.
 */
bool jl_direct_ready(struct jl_direct *direct);

/* The RAM no longer holds the last frame: a later present must send all of it. */
void jl_direct_sent(struct jl_direct *direct, jl_status status);

/* The target's buffer as a frame. */
struct jl_frame jl_direct_piece(const struct jl_direct *direct, int16_t width, int16_t rows);

/* Columns that the buffer holds of one line. */
int jl_direct_columns(const struct jl_direct *direct);

/* Whether a byte holds several rows or columns, so that none of them can be left as it is. */
static inline bool jl_direct_shares_bytes(const struct jl_direct *direct) {
    const struct jl_panel *panel = direct->panel;
    return jl_format_of(panel)->line_rows_log2 > 0 || jl_unit(panel) > 1;
}

/* An area, grown to whole lines of memory, with pieces that `draw` makes in the buffer. */
void jl_direct_stream(struct jl_direct *direct, struct jl_rect area, jl_piece_fn draw,
                      const void *context);

/* The shade operation. */
void jl_direct_shade(struct jl_target *target, struct jl_rect area, jl_shade_fn shader,
                     const void *context);

#endif
