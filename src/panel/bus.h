/* What the buses share. */
#ifndef JADELAMP_SRC_BUS_H
#define JADELAMP_SRC_BUS_H

#include "../core/lone.h"
#include "jadelamp/panel.h"

/* Drives a pin if the port has pins. */
void jl_bus_pin(const struct jl_port *port, enum jl_pin pin, bool high);

/* Bytes of the next transfer when `left` are to be sent: what the port takes at a time. */
static inline size_t jl_bus_part(const struct jl_port *port, size_t left) {
    size_t most = port->most_body_bytes;
    return most && most < left ? most : left;
}

/*
 * Opcodes at the front of a command. Where arguments travel like data, D/C changes behind the
 * opcode, and a step holds one command; elsewhere it may hold several.
 */
static inline size_t jl_bus_opcodes(const struct jl_panel *panel, bool data, size_t count) {
    size_t opcodes = jl_config_of(panel)->controller->opcode_bytes;
    return data || !opcodes || opcodes > count ? count : opcodes; /* a step may be cut short */
}

/* Sends bytes as they are between the bus's begin() and end(), in as many transfers as asked. */
jl_status jl_bus_send(const struct jl_panel *panel, bool data, const uint8_t *bytes, size_t count);

/* Sends lines by the bus's send(), one at a time. */
jl_status jl_bus_lines(const struct jl_panel *panel, const struct jl_rest *rest);

#endif
