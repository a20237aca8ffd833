/* Which wire of a capture is for what: by option, or by the names that people give. */
#ifndef JADELAMP_HOST_TRAFFIC_WIRES_H
#define JADELAMP_HOST_TRAFFIC_WIRES_H

#include "jadelamp/host/traffic.h"

struct role_wires {
    int wires[JL_ROLES]; /* -1: none */
    const char *names[JL_ROLES];
};

/* Wires for the roles in `wanted` (1 << role each): as it is said, as the card names the pins, or
 * by usual names. Of those in `needed` each has to be there. */
bool jl_host_find_wires(const struct jl_capture *capture, const struct jl_card *card,
                        const char *const *said, jl_role_set wanted, jl_role_set needed,
                        struct role_wires *found, struct jl_complaint *complaint);

#endif
