/* What went wrong first, for programs that check once. */
#include "panel.h"

jl_status jl_panel_status(const struct jl_panel *panel) {
    return panel ? (jl_status)panel->status : JL_BAD_ARGUMENT;
}
