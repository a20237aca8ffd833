/*
 * 8080 as the t6963c has it (datasheet, "communications with MPU"): its status is read before each
 * byte; arguments go in front of their command; C/D is high for commands and for the status.
 */
#include "bus_pins.h"

enum {
    READY = 0x03,      /* for a command, and for data */
    AUTO_READY = 0x08, /* for the next byte in auto write */
    AUTO_END = 0xB2,
    MOST_POLLS = 1000, /* far more than any byte keeps it busy */
};

static jl_status await(const struct jl_panel *panel, uint8_t bits) {
    const struct jl_port *port = panel->port;
    const struct jl_transfer nothing = {0};
    jl_bus_pin(port, JL_PIN_DC, true);
    for (int polls = 0; polls < MOST_POLLS; polls++) {
        uint8_t ready = 0;
        jl_status status = port->ops->receive(port->context, &nothing, &ready, 1);
        if (status != JL_OK || (ready & bits) == bits) {
            return status;
        }
    }
    return JL_TIMEOUT;
}

static jl_status put(const struct jl_panel *panel, bool command, uint8_t byte, uint8_t bits) {
    const struct jl_port *port = panel->port;
    const struct jl_transfer t = {.body = &byte, .body_bytes = 1};
    jl_status status = await(panel, bits);
    /* The end of auto write is sent in any case: where there is none, its bit never comes. */
    if (status == JL_OK || (status == JL_TIMEOUT && command && byte == AUTO_END)) {
        jl_bus_pin(port, JL_PIN_DC, command);
        status = port->ops->send(port->context, &t);
    }
    return status;
}

static jl_status send(const struct jl_panel *panel, bool data, const uint8_t *bytes, size_t count) {
    jl_status status = JL_OK;
    jl_bus_pin(panel->port, JL_PIN_CS, false);
    for (size_t i = data ? 0 : 1; i < count && status == JL_OK; i++) {
        status = put(panel, false, bytes[i], data ? AUTO_READY : READY);
    }
    if (!data && status == JL_OK) {
        status = put(panel, true, bytes[0], bytes[0] == AUTO_END ? AUTO_READY : READY);
    }
    jl_pins_end(panel);
    return status;
}

static jl_status check(const struct jl_panel *panel) {
    return panel->port->ops->receive ? jl_pins_check(panel) : JL_BAD_PORT;
}

const struct jl_bus jl_bus_t6963c = {.kind = JL_BUS_8080_8,
                                     .wires = JL_WIRES_PARALLEL,
                                     .check = check,
                                     .send = send,
                                     .lines = jl_bus_lines,
                                     .fill = jl_pattern_fill,
                                     .end = jl_pins_end};
