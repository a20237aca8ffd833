/* The interpreter of wake-up steps. */
#ifndef JADELAMP_SRC_STEPS_H
#define JADELAMP_SRC_STEPS_H

#include "jadelamp/panel.h"

/* Steps still to be run. jl_steps_check() found them good: as panels open, or in the tests. */
struct jl_steps {
    const uint8_t *at, *end;
};

/*
 * Runs steps up to their end, or to a SETUP or CLEAR, where it stops: the wake-up goes on from
 * there. So nothing here calls itself, though a CLEAR sends steps of its own.
 */
jl_status jl_steps_run(struct jl_panel *panel, struct jl_steps *steps);

/* Runs what a controller's encoder wrote, which has neither. */
jl_status jl_steps_run_encoded(struct jl_panel *panel, const uint8_t *steps, size_t bytes);

#endif
