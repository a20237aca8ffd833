/* What the two files of the t6963c share. */
#ifndef JADELAMP_SRC_T6963C_H
#define JADELAMP_SRC_T6963C_H

#include "jadelamp/controllers/t6963c.h"

enum {
    T6963C_TEXT_AT = 0x1000,    /* behind the graphics of 240x128 */
    T6963C_SYMBOLS_AT = 0x1C00, /* of code 80h: 800h times the offset register, and 8 a code */
};

/* Auto write from an address on, and its end. */
jl_status jl_t6963c_begin(const struct jl_panel *panel, uint16_t address);
jl_status jl_t6963c_end(const struct jl_panel *panel, jl_status status);

#endif
