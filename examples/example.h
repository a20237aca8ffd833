/* Every example is firmware: it gets a port and knows nothing else. */
#ifndef JADELAMP_EXAMPLE_H
#define JADELAMP_EXAMPLE_H

#include "jadelamp/jadelamp.h"

jl_status example_run(const struct jl_port *port);

#endif
