/* Framing of commands and data on the panel's bus. */
#ifndef JADELAMP_SRC_BUS_H
#define JADELAMP_SRC_BUS_H

#include "jadelamp/panel.h"

/* Drives a pin if the port has pins. */
void jl_bus_pin(const struct jl_port *port, enum jl_pin pin, bool high);

/* Sends command bytes, opcode first, in one transfer. */
jl_status jl_bus_command(const struct jl_panel *panel, const uint8_t *bytes, size_t count);

/* Sends pixel bytes from the caller's memory, split as the port asks. */
jl_status jl_bus_data(const struct jl_panel *panel, const uint8_t *bytes, size_t count);

#endif
