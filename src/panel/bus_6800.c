/* 6800 with 8 bits: the pins of 8080, strobed otherwise by the port. */
#include "bus_pins.h"

static jl_status send(const struct jl_panel *panel, bool data, const uint8_t *bytes, size_t count) {
    return jl_pins_send(panel, data, bytes, count);
}

static jl_status check(const struct jl_panel_config *config, const struct jl_format *format,
                       const struct jl_port *port) {
    return jl_pins_check(port, format, config->controller->parallel_layouts);
}

const struct jl_bus jl_bus_6800_8 = {.kind = JL_BUS_6800_8,
                                     .check = check,
                                     .send = send,
                                     .lines = jl_pins_lines,
                                     .fill = jl_pins_fill};
