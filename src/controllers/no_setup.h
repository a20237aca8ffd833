/* For controllers of whose modules nothing can be set. */
#ifndef JADELAMP_SRC_NO_SETUP_H
#define JADELAMP_SRC_NO_SETUP_H

#include "jadelamp/panel.h"

/* A controller's setup: no steps. */
size_t jl_no_setup(const struct jl_panel *panel, uint8_t *out);

#endif
