/*
 * Themes: the colours and fonts of instruments, as constants. Copy one and change what you like.
 */
#ifndef JADELAMP_THEME_H
#define JADELAMP_THEME_H

#include "jadelamp/text.h"

#ifdef __cplusplus
extern "C" {
#endif

struct jl_theme {
    jl_color back;   /**< around instruments; also text on what is filled with ink or accent */
    jl_color face;   /**< of instruments */
    jl_color ink;    /**< text, needles */
    jl_color line;   /**< outlines, marks, small labels */
    jl_color unlit;  /**< segments and lamps that are off, tracks */
    jl_color accent; /**< values, what is chosen or pressed */
    jl_color good, warn, alarm;
    const struct jl_font *font;
    const struct jl_font *large; /**< of numbers that are read from afar */
};

extern const struct jl_theme jl_theme_night; /**< colours on dark; 8x13, digits of 28 pixels */
extern const struct jl_theme jl_theme_day;   /**< the same on white */
extern const struct jl_theme jl_theme_lit;   /**< 1 bit, lit on dark; 6x8 and 8x13 */
extern const struct jl_theme
    jl_theme_paper; /**< 1 bit, black on white, alarms red if there is red */

#ifdef __cplusplus
}
#endif

#endif
