/* Pins, for all buses. */
#include "bus.h"

void jl_bus_pin(const struct jl_port *port, enum jl_pin pin, bool high) {
    if (port->ops->set_pin) {
        port->ops->set_pin(port->context, pin, high);
    }
}
