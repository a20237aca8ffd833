/* What a card says of its bus. */
#ifndef JADELAMP_HOST_TRAFFIC_BUS_H
#define JADELAMP_HOST_TRAFFIC_BUS_H

#include "jadelamp/host/traffic.h"

/* How to read the bus, and sets of roles, 1 << role each: those of a wire that it may have, and
 * those without which nothing can be read. */
void jl_host_describe_bus(const struct jl_card *card, struct jl_decoding *decoding,
                          jl_role_set *wanted, jl_role_set *needed);

/* The microcontroller's pin that the card names for a role. NULL: none. */
const char *jl_host_pin_of(const struct jl_card *card, enum jl_role role);

#endif
