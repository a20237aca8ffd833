/*
 * I2C with a transfer for each command byte, behind a control byte of 0x80 (Co = 1: one byte of
 * command follows). Data go as usual behind one 0x40.
 */
#include "bus_i2c.h"

#include "../core/lone.h"

static void begin(const struct jl_panel *panel, bool data, struct jl_transfer *t) {
    static const uint8_t control[] = {0x80, 0x40};
    t->head = &control[data];
    t->head_bytes = 1;
    t->i2c_address = jl_config_of(panel)->i2c_address;
}

static jl_status send(const struct jl_panel *panel, bool data, const uint8_t *bytes, size_t count) {
    size_t part = data ? count : 1;
    jl_status status = JL_OK;
    for (; count && status == JL_OK; count -= part, bytes += part) {
        status = jl_bus_send(panel, data, bytes, part);
    }
    return status;
}

const struct jl_bus jl_bus_i2c_single = {.kind = JL_BUS_I2C,
                                         .wires = JL_WIRES_SERIAL,
                                         .cycle_ns = I2C_CYCLE_NS,
                                         .check = jl_i2c_check,
                                         .send = send,
                                         .lines = jl_bus_lines,
                                         .fill = jl_i2c_fill,
                                         .begin = begin,
                                         .end = jl_i2c_end};
