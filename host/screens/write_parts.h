/* Writing a screen as C: what the files that do it share. */
#ifndef JADELAMP_HOST_WRITE_PARTS_H
#define JADELAMP_HOST_WRITE_PARTS_H

#include <stdio.h>

#include "screen_parts.h"

/* A string as C has it, with its quotes. */
void jl_host_write_string(FILE *out, const char *text);

/* A colour: "JL_CLEAR" or 0xRRGGBB. */
void jl_host_write_color(FILE *out, jl_color color);

/* Fonts, pictures, styles and themes, as constants before the code. Their names: font_N, picture_N,
 * style_N of an item, theme_N. */
void jl_host_write_looks(FILE *out, const struct jl_screen *screen);

/* The faces of instruments, face_N of item N. */
void jl_host_write_faces(FILE *out, const struct jl_screen *screen);

/* The type of an instrument, "dial". NULL: the item is none. */
const char *jl_host_instrument_type(const struct item *item);

/* The lines that set an instrument's value from the screen's: `instrument` is an lvalue. */
void jl_host_write_instrument_value(FILE *out, const struct jl_screen *screen,
                                    const struct item *item, const char *instrument);

/* Whether an item is an instrument that redraws itself: nothing lies over it. */
bool jl_host_redraws_itself(const struct jl_screen *screen, int item);

/* Whether something is drawn over an item that is on the same page. */
bool jl_host_is_covered(const struct jl_screen *screen, int item);

/* The functions that draw items, item_N, and what they call. */
void jl_host_write_items(FILE *out, const struct jl_screen *screen);

/* The public functions. */
void jl_host_write_calls(FILE *out, const struct jl_screen *screen);

#endif
