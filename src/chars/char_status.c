/* What went wrong first, for programs that check once. */
#include "cells.h"

jl_status jl_char_status(const struct jl_char_panel *panel) {
    return panel ? (jl_status)panel->status : JL_BAD_ARGUMENT;
}
