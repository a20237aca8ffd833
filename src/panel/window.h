/* Writing a rectangle of the controller's RAM. */
#ifndef JADELAMP_SRC_WINDOW_H
#define JADELAMP_SRC_WINDOW_H

#include "jadelamp/panel.h"

/* Lines of memory that hold so many rows of a picture. */
static inline uint32_t jl_lines(const struct jl_format *format, int16_t rows) {
    return ((uint32_t)rows + (1u << format->line_rows_log2) - 1) >> format->line_rows_log2;
}

/* Bytes of a line's part of that width; whole bytes by the controller's column unit. */
static inline uint32_t jl_line_bytes(const struct jl_format *format, int16_t width) {
    return (((uint32_t)width * format->bits_per_pixel) << format->line_rows_log2) / 8;
}

/* Opens the window of an area that is aligned to the format's lines. */
jl_status jl_window_open(struct jl_panel *panel, struct jl_rect area);

/* Sends an area of a frame, or of a band: grown to what memory and controller can address. */
jl_status jl_present_area(struct jl_panel *panel, const struct jl_frame *frame,
                          struct jl_rect area);

/* Makes the visible RAM black. */
jl_status jl_window_clear(struct jl_panel *panel);

#endif
