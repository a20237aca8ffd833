/*
 * A picture as text, in Unicode characters, for a terminal.
 */
#ifndef JADELAMP_HOST_TERMINAL_H
#define JADELAMP_HOST_TERMINAL_H

#include <stdbool.h>

#include "jadelamp/sim/picture.h"

#ifdef __cplusplus
extern "C" {
#endif

enum jl_terminal_style {
    JL_TERMINAL_BLOCKS,  /**< quadrant blocks, 2x2 pixels a character */
    JL_TERMINAL_BRAILLE, /**< braille dots, 2x4 pixels a character */
};

/**
 * A zero-terminated UTF-8 text with a line end after each row; free() it. NULL: no memory.
 *
 * @param most_columns characters of a line: a picture that needs more is made smaller by a whole
 *                     number, a dot of it lit where a third of its pixels are; 0: no limit
 */
char *jl_terminal_text(const struct jl_picture *picture, enum jl_terminal_style style,
                       int most_columns);

#ifdef __cplusplus
}
#endif

#endif
