/* The interpreter of wake-up steps. */
#ifndef JADELAMP_SRC_STEPS_H
#define JADELAMP_SRC_STEPS_H

#include "../core/flash.h"
#include "jadelamp/panel.h"

#define JL_STEP_SEND_MOST 0x7F

#ifdef __AVR__
#define JL_STEP_MOST        48 /* with its code; a copy is in RAM while it runs */
#define JL_STEP_FITS(bytes) ((bytes) <= JL_STEP_MOST)
#else
#define JL_STEP_FITS(bytes) true /* none is copied */
#endif

/* Steps still to be run, marked JL_FLASH. jl_steps_check() found them good: as panels open, or in
 * the tests. */
struct jl_steps {
    const uint8_t *at, *end;
};

/*
 * Runs steps up to their end, or to a SETUP or CLEAR, where it stops: the wake-up goes on from
 * there. So nothing here calls itself, though a CLEAR sends steps of its own.
 */
jl_status jl_steps_run(struct jl_panel *panel, struct jl_steps *steps);

/* Bytes of a step; more than there can be when it is unknown. */
static inline size_t jl_step_length(const uint8_t *step) {
    static const uint8_t of_codes[] = {3, 4, 2, 1, 1}; /* from JL_STEP_CODE_WAIT_MS on */
    if (step[0] - 1u < JL_STEP_SEND_MOST) {
        return 1u + step[0];
    }
    unsigned code = step[0] - (unsigned)JL_STEP_CODE_WAIT_MS;
    return code < sizeof of_codes ? of_codes[code] : SIZE_MAX;
}

/* The same of a step that is marked JL_FLASH. */
static inline size_t jl_flash_step_length(const uint8_t *step) {
    uint8_t copy[1];
    return jl_step_length(jl_flash_copy(copy, step, 1));
}

/* Runs what a controller's encoder wrote, in RAM, which has neither. */
jl_status jl_steps_run_encoded(struct jl_panel *panel, const uint8_t *steps, size_t bytes);

#endif
