/* Pins and transfers, for all buses. */
#include "bus.h"

#include "../core/lone.h"

void jl_bus_pin(const struct jl_port *port, enum jl_pin pin, bool high) {
    if (port->ops->set_pin) {
        port->ops->set_pin(port->context, pin, high);
    }
}

/* The wires are released after an error too, so that the next transfer starts on a boundary. */
jl_status jl_bus_send(const struct jl_panel *panel, bool data, const uint8_t *bytes, size_t count) {
    const struct jl_bus *bus = jl_config_of(panel)->bus;
    const struct jl_port *port = panel->port;
    struct jl_transfer t;
    jl_status status = JL_OK;
    bus->begin(panel, data, &t);
    while (count && status == JL_OK) {
        t.body = bytes;
        t.body_bytes = jl_bus_part(port, count);
        bytes += t.body_bytes;
        count -= t.body_bytes;
        status = port->ops->send(port->context, &t);
    }
    bus->end(panel);
    return status;
}
