/*
 * SPI of memory LCDs (datasheets, "timing charts"): a transaction is a mode byte, then lines, each
 * an address and its pixels and 8 bits of zeros, and 8 more in the end. CS is high all along.
 * What is sent as a command ends with a zero byte where the transaction does, and nowhere else: the
 * numbers of lines begin with 1.
 */
#include "bus_pins.h"

static void end(const struct jl_panel *panel) {
    jl_bus_pin(panel->port, JL_PIN_CS, false);
}

/* The longest that the sheets ask for around CS: tsSCS, from its rise to the first bit; thSCS, from
 * the last bit to its fall, and twSCSL, until it may rise again. */
enum { SETUP_US = 6, HOLD_US = 2, LOW_US = 2 };

static jl_status send(const struct jl_panel *panel, bool data, const uint8_t *bytes, size_t count) {
    const struct jl_port *port = panel->port;
    jl_status status = JL_OK;
    bool last = !data && bytes[count - 1] == 0;
    struct jl_transfer t = {0};
    if (!data && (last || bytes[0])) { /* it begins here, or it may */
        jl_bus_pin(port, JL_PIN_CS, true);
        port->ops->wait_us(port->context, SETUP_US);
    }
    while (count && status == JL_OK) {
        t.body = bytes;
        t.body_bytes = jl_bus_part(port, count);
        bytes += t.body_bytes;
        count -= t.body_bytes;
        status = port->ops->send(port->context, &t);
    }
    if (last || status != JL_OK) {
        port->ops->wait_us(port->context, HOLD_US);
        end(panel);
        port->ops->wait_us(port->context, LOW_US);
    }
    return status;
}

const struct jl_bus jl_bus_memory_lcd = {.kind = JL_BUS_MEMORY_LCD,
                                         .wires = JL_WIRES_SERIAL,
                                         .check = jl_pins_check,
                                         .send = send,
                                         .lines = jl_bus_lines,
                                         .fill = jl_pattern_fill,
                                         .end = end};
