/* Reading: a command, then what comes, under one CS. */
#include "readback.h"

#include "../core/lone.h"
#include "bus.h"
#include "panel.h"

jl_status jl_read_check(const struct jl_panel *panel, uint8_t buses) {
    if (!panel) {
        return JL_BAD_ARGUMENT;
    }
    if (panel->state == STATE_UNUSABLE) {
        return JL_NOT_AWAKE;
    }
    uint8_t kind = jl_config_of(panel)->bus->kind;
    const struct jl_port_ops *ops = panel->port->ops;
    if (!(buses >> kind & 1)) {
        return JL_UNSUPPORTED;
    }
    return ops->receive && (kind != JL_BUS_SPI_3WIRE || ops->send_nine) ? JL_OK : JL_BAD_PORT;
}

/* On 3 wires D/C is the first of nine bits of the command; what is read has no such bit. */
static jl_status send_command(const struct jl_panel *panel, uint8_t command) {
    const struct jl_port *port = panel->port;
    uint8_t kind = jl_config_of(panel)->bus->kind;
    uint16_t word = command; /* on 16 lines, in the processor's own order */
    struct jl_transfer t = {.body = &command, .body_bytes = 1};
    if (kind == JL_BUS_SPI_3WIRE) {
        return port->ops->send_nine(port->context, &t, false);
    }
    if (kind == JL_BUS_8080_16) {
        t.body = (const uint8_t *)&word;
        t.body_bytes = sizeof word;
    }
    return port->ops->send(port->context, &t);
}

jl_status jl_read_bytes(struct jl_panel *panel, int command, bool data, uint8_t *bytes,
                        size_t count) {
    const struct jl_bus *bus = jl_config_of(panel)->bus;
    const struct jl_port *port = panel->port;
    struct jl_transfer t = {.i2c_address = jl_config_of(panel)->i2c_address};
    jl_status status = JL_OK;
    panel->streaming = NULL;
    if (bus->kind != JL_BUS_I2C) { /* whose address says that it is to be read */
        bool has_dc = bus->kind != JL_BUS_SPI_3WIRE;
        bool as_data = data && command == READ_NO_COMMAND;
        if (has_dc && bus->begin) {
            bus->begin(panel, as_data, &t);
        } else { /* of three wires, and of a bus that waits behind each byte */
            if (has_dc) {
                jl_bus_pin(port, JL_PIN_DC, as_data);
            }
            jl_bus_pin(port, JL_PIN_CS, false);
        }
        if (command != READ_NO_COMMAND) {
            status = send_command(panel, (uint8_t)command);
            if (has_dc) {
                jl_bus_pin(port, JL_PIN_DC, data);
            }
        }
        t = (struct jl_transfer){0};
    }
    if (status == JL_OK) {
        status = port->ops->receive(port->context, &t, bytes, count);
    }
    bus->end(panel);
    return status;
}
