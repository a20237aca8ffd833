/* The interpreter of wake-up steps. */
#ifndef JADELAMP_SRC_STEPS_H
#define JADELAMP_SRC_STEPS_H

#include "jadelamp/panel.h"

/*
 * Runs steps that jl_steps_check() found good: those of descriptions are checked as panels
 * open, those of controllers by the tests. SETUP and CLEAR are not allowed in what a controller's
 * encoder returns, so this never nests deeper than one level.
 */
jl_status jl_steps_run(struct jl_panel *panel, const uint8_t *steps, size_t bytes);

/* Runs what an encoder wrote: only sends and waits, and well-formed. */
jl_status jl_steps_run_plain(struct jl_panel *panel, const uint8_t *steps, size_t bytes);

#endif
