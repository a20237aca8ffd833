/*
 * I2C: after the address one control byte says what the rest of the transaction is: 0x00
 * commands, 0x40 data (ssd1306 datasheet 8.1.5.2: Co = 0, D/C in bit 6). A command may be split
 * too: the controller keeps waiting for the missing arguments over any number of transfers.
 */
#include "bus_i2c.h"

#include "../core/lone.h"
#include "../core/mem.h"

static void begin(const struct jl_panel *panel, bool data, struct jl_transfer *t) {
    static const uint8_t control[] = {0x00, 0x40};
    t->head = &control[data];
    t->head_bytes = 1;
    t->i2c_address = jl_config_of(panel)->i2c_address;
}

void jl_i2c_end(const struct jl_panel *panel) {
    (void)panel;
}

jl_status jl_i2c_fill(const struct jl_panel *panel, const uint8_t *pixel, uint32_t total_bytes) {
    uint8_t pattern[32]; /* so that the control bytes cost 6 % */
    jl_status status = JL_OK;
    memset(pattern, *pixel, sizeof pattern);
    while (total_bytes && status == JL_OK) {
        uint32_t part = total_bytes < sizeof pattern ? total_bytes : sizeof pattern;
        total_bytes -= part;
        status = jl_config_of(panel)->bus->send(panel, true, pattern, (size_t)part);
    }
    return status;
}

jl_status jl_i2c_check(const struct jl_panel *panel) {
    return jl_config_of(panel)->i2c_address < 0x08 || jl_config_of(panel)->i2c_address > 0x77
               ? JL_BAD_ADDRESS
               : JL_OK;
}

const struct jl_bus jl_bus_i2c = {.kind = JL_BUS_I2C,
                                  .wires = JL_WIRES_SERIAL,
                                  .cycle_ns = I2C_CYCLE_NS,
                                  .check = jl_i2c_check,
                                  .send = jl_bus_send,
                                  .lines = jl_bus_lines,
                                  .fill = jl_i2c_fill,
                                  .begin = begin,
                                  .end = jl_i2c_end};
