/* 6800 to controllers without a buffer: after every byte they are busy for some time. */
#include "bus_pins.h"

#include "../core/lone.h"

static jl_status send(const struct jl_panel *panel, bool data, const uint8_t *bytes, size_t count) {
    const struct jl_port *port = panel->port;
    const struct jl_controller *controller = jl_config_of(panel)->controller;
    /* The next byte counts as its own pulse ends, and that takes a cycle at least. */
    uint8_t pause = (uint8_t)(controller->byte_us - (controller->parallel_cycle_ns >= 1000));
    jl_status status = JL_OK;
    for (; count && status == JL_OK; count--) {
        struct jl_transfer t;
        jl_pins_begin(panel, data, &t);
        t.body = bytes++;
        t.body_bytes = 1;
        status = port->ops->send(port->context, &t);
        jl_pins_end(panel);
        port->ops->wait_us(port->context, pause);
    }
    return status;
}

const struct jl_bus jl_bus_6800_8_paced = {.kind = JL_BUS_6800_8,
                                           .wires = JL_WIRES_PARALLEL,
                                           .check = jl_pins_check,
                                           .send = send,
                                           .lines = jl_bus_lines,
                                           .fill = jl_pattern_fill,
                                           .end = jl_pins_end};
