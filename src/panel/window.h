/* Writing a rectangle of the controller's RAM. */
#ifndef JADELAMP_SRC_WINDOW_H
#define JADELAMP_SRC_WINDOW_H

#include "jadelamp/panel.h"

/* Opens the window of an area that is aligned to the format's lines. */
jl_status jl_window_open(const struct jl_panel *panel, struct jl_rect area);

/* Makes the visible RAM black. */
jl_status jl_window_clear(const struct jl_panel *panel);

#endif
