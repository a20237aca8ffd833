/* What the buses share. */
#ifndef JADELAMP_SRC_BUS_H
#define JADELAMP_SRC_BUS_H

#include "jadelamp/panel.h"

/* Drives a pin if the port has pins. */
void jl_bus_pin(const struct jl_port *port, enum jl_pin pin, bool high);

/* Bytes of the next transfer when `left` are to be sent: what the port takes at a time. */
static inline size_t jl_bus_part(const struct jl_port *port, size_t left) {
    size_t most = port->most_body_bytes;
    return most && most < left ? most : left;
}

#endif
