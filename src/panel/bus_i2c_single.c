/*
 * I2C with a control byte in front of each command byte: 0x80 (Co = 1: one byte follows, then
 * another control byte). Data go as usual behind one 0x40.
 */
#include "bus_i2c.h"

enum { CONTROL_ONE = 0x80, CONTROL_DATA = 0x40, PAIRS = 8 };

static void begin(const struct jl_panel *panel, bool data, struct jl_transfer *t) {
    static const uint8_t data_follow = CONTROL_DATA;
    t->head = &data_follow;
    t->head_bytes = data;
    t->i2c_address = panel->config->i2c_address;
}

static jl_status send(const struct jl_panel *panel, bool data, const uint8_t *bytes, size_t count) {
    uint8_t pairs[2 * PAIRS];
    jl_status status = JL_OK;
    if (data) {
        return jl_bus_send(panel, true, bytes, count);
    }
    while (count && status == JL_OK) {
        size_t filled = 0;
        /* Whole pairs, so that a port's limit cuts none. */
        size_t room = jl_bus_part(panel->port, sizeof pairs) & ~(size_t)1;
        for (; count && filled < room; count--) {
            pairs[filled++] = CONTROL_ONE;
            pairs[filled++] = *bytes++;
        }
        status = jl_bus_send(panel, false, pairs, filled);
    }
    return status;
}

static jl_status check(const struct jl_panel_config *config, const struct jl_port *port) {
    return port->most_body_bytes == 1 ? JL_BAD_PORT : jl_i2c_check(config, port);
}

const struct jl_bus jl_bus_i2c_single = {.kind = JL_BUS_I2C,
                                         .wires = JL_WIRES_SERIAL,
                                         .cycle_ns = I2C_CYCLE_NS,
                                         .check = check,
                                         .send = send,
                                         .lines = jl_bus_lines,
                                         .fill = jl_i2c_fill,
                                         .begin = begin,
                                         .end = jl_i2c_end};
