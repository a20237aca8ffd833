/* SPI, 4-wire, and 8080 with 8 bits: the same bytes with the same pins, sent by the port. */
#include "bus_pins.h"

/*
 * Where arguments travel like data, D/C changes behind the opcode. Such a step holds one
 * command; elsewhere it may hold several.
 */
static jl_status send(const struct jl_panel *panel, bool data, const uint8_t *bytes, size_t count) {
    size_t opcodes = data || !panel->config->controller->arguments_as_data ? count : 1;
    jl_status status = jl_pins_send(panel, data, bytes, opcodes);
    if (status == JL_OK && count > opcodes) {
        status = jl_pins_send(panel, true, bytes + opcodes, count - opcodes);
    }
    return status;
}

static jl_status check_serial(const struct jl_panel_config *config, const struct jl_format *format,
                              const struct jl_port *port) {
    return jl_pins_check(port, format, config->controller->serial_layouts);
}

static jl_status check_parallel(const struct jl_panel_config *config,
                                const struct jl_format *format, const struct jl_port *port) {
    return jl_pins_check(port, format, config->controller->parallel_layouts);
}

const struct jl_bus jl_bus_spi = {.kind = JL_BUS_SPI,
                                  .check = check_serial,
                                  .send = send,
                                  .lines = jl_pins_lines,
                                  .fill = jl_pins_fill};

const struct jl_bus jl_bus_8080_8 = {.kind = JL_BUS_8080_8,
                                     .check = check_parallel,
                                     .send = send,
                                     .lines = jl_pins_lines,
                                     .fill = jl_pins_fill};
