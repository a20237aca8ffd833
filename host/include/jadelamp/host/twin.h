/*
 * Hardware beside the board: a port that hands all it gets to two others, so that a real panel
 * shows what the emulated one must show.
 */
#ifndef JADELAMP_HOST_TWIN_H
#define JADELAMP_HOST_TWIN_H

#include "jadelamp/port.h"

#ifdef __cplusplus
extern "C" {
#endif

/** Keep it as long as the port is used. */
struct jl_twin {
    struct jl_port first;
    const struct jl_port *second;
    struct jl_port_ops ops;
    jl_status second_status; /**< the second one's first error; JL_OK: none */
    bool agreed;             /**< the level of BUSY that both had last */
};

/**
 * Makes a port one of two: it still does what it did, and `second` does so, too. Transfers block;
 * an error of either is the error. Both are waited for where BUSY is read. What the second cannot
 * (send_nine(), scanning out) is left to the first.
 *
 * @param second the caller's, as long as the port is used
 */
void jl_twin_begin(struct jl_twin *twin, struct jl_port *port, const struct jl_port *second);

#ifdef __cplusplus
}
#endif

#endif
