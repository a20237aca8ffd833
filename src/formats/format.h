/* What the pixel formats share. */
#ifndef JADELAMP_SRC_FORMAT_H
#define JADELAMP_SRC_FORMAT_H

#include "../core/mem.h"
#include "jadelamp/draw.h"
#include "jadelamp/frame.h"

/* The line of memory that holds row y of the picture; a band begins at its first row. No bounds
 * begin below 0, and a small core reads what has no sign in one instruction. */
static inline uint8_t *jl_format_line(const struct jl_frame *frame, int y, unsigned rows_log2) {
    size_t line = (size_t)(y - (int)(uint16_t)frame->target.bounds.y) >> rows_log2;
    return frame->pixels + line * frame->stride_bytes;
}

/* The pixel of a line that shows column x of the picture; a band may begin further right. */
static inline int jl_format_column(const struct jl_frame *frame, int x) {
    return x - (int)(uint16_t)frame->target.bounds.x;
}

/* 0xFF for a colour that counts as lit in 1-bit formats, else 0. What they have as ops->ink(). */
uint32_t jl_lit_bits(jl_color color, const struct jl_target *target);

/* Marks an area as changed, where somebody wants to know. */
static inline void jl_format_changed(const struct jl_frame *frame, struct jl_rect area) {
    if (frame->damage) {
        frame->damage->add(frame->damage, area, frame->target.patience_px);
    }
}

#endif
