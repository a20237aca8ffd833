/*
 * I2C: after the address one control byte says what the rest of the transaction is: 0x00
 * commands, 0x40 data (ssd1306 datasheet 8.1.5.2: Co = 0, D/C in bit 6).
 */
#include "../core/mem.h"
#include "bus.h"

static const uint8_t control[] = {0x00, 0x40};

/*
 * A command may be split too: the controller keeps waiting for the missing
 * arguments over any number of transfers.
 */
static jl_status send(const struct jl_panel *panel, bool data, const uint8_t *bytes, size_t count) {
    const struct jl_port *port = panel->port;
    struct jl_transfer t = {
        .head = &control[data], .head_bytes = 1, .i2c_address = panel->config->i2c_address};
    jl_status status = JL_OK;
    while (count && status == JL_OK) {
        t.body = bytes;
        t.body_bytes = jl_bus_part(port, count);
        bytes += t.body_bytes;
        count -= t.body_bytes;
        status = port->ops->send(port->context, &t);
    }
    return status;
}

static jl_status fill(const struct jl_panel *panel, const uint8_t *pixel, uint32_t total_bytes) {
    uint8_t pattern[32]; /* so that the control bytes cost 6 % */
    jl_status status = JL_OK;
    memset(pattern, *pixel, sizeof pattern);
    while (total_bytes && status == JL_OK) {
        uint32_t part = total_bytes < sizeof pattern ? total_bytes : sizeof pattern;
        total_bytes -= part;
        status = send(panel, true, pattern, part);
    }
    return status;
}

static jl_status check(const struct jl_panel_config *config, const struct jl_format *format,
                       const struct jl_port *port) {
    (void)port;
    if (config->i2c_address < 0x08 || config->i2c_address > 0x77) {
        return JL_BAD_ADDRESS;
    }
    return config->controller->serial_layouts >> format->layout & 1 ? JL_OK : JL_BAD_FORMAT;
}

const struct jl_bus jl_bus_i2c = {.kind = JL_BUS_I2C, .check = check, .send = send, .fill = fill};
