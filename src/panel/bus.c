/*
 * Framing: what stands around the caller's bytes on each bus. Nothing is copied.
 *
 * I2C: after the address one control byte says what the rest of the
 * transaction is: 0x00 commands, 0x40 data (ssd1306 datasheet 8.1.5.2: Co = 0,
 * D/C in bit 6). SPI, 4-wire: D/C is sampled with the last bit of each byte,
 * so it may change only between transfers (datasheet 8.1.3).
 */
#include "bus.h"

#define CONTROL_COMMANDS 0x00
#define CONTROL_DATA     0x40

void jl_bus_pin(const struct jl_port *port, enum jl_pin pin, bool high) {
    if (port->ops->set_pin) {
        port->ops->set_pin(port->context, pin, high);
    }
}

static jl_status transfer(const struct jl_panel *panel, uint8_t control, const uint8_t *bytes,
                          size_t count) {
    const struct jl_port *port = panel->port;
    struct jl_transfer t = {.body = bytes, .body_bytes = count};
    if (panel->config->bus == JL_BUS_I2C) {
        t.i2c_address = panel->config->i2c_address;
        t.head = &control;
        t.head_bytes = 1;
        return port->ops->send(port->context, &t);
    }
    jl_bus_pin(port, JL_PIN_DC, control == CONTROL_DATA);
    jl_bus_pin(port, JL_PIN_CS, false);
    jl_status status = port->ops->send(port->context, &t);
    /* Released after an error too, so that the next transfer starts on a byte boundary. */
    jl_bus_pin(port, JL_PIN_CS, true);
    return status;
}

static jl_status split(const struct jl_panel *panel, uint8_t control, const uint8_t *bytes,
                       size_t count) {
    size_t most = panel->port->most_body_bytes ? panel->port->most_body_bytes : count;
    jl_status status = JL_OK;
    while (count && status == JL_OK) {
        size_t part = count < most ? count : most;
        status = transfer(panel, control, bytes, part);
        bytes += part;
        count -= part;
    }
    return status;
}

/*
 * A command may be split too: the controller keeps waiting for the missing
 * arguments over any number of transfers.
 */
jl_status jl_bus_command(const struct jl_panel *panel, const uint8_t *bytes, size_t count) {
    return split(panel, CONTROL_COMMANDS, bytes, count);
}

jl_status jl_bus_data(const struct jl_panel *panel, const uint8_t *bytes, size_t count) {
    return split(panel, CONTROL_DATA, bytes, count);
}
