/*
 * SPI, 3-wire: each byte is preceded by D/C as a ninth bit. Ports without send_nine() get
 * the stream packed into bytes. The last of them is filled with zeros; since CS rises
 * before a ninth one is out, the controller drops them.
 */
#include "bus_pins.h"

/* Payload bytes of a packed transfer; 8 of them take 9 bytes of the wire. */
enum { PAYLOAD = 64, PACKED = PAYLOAD / 8 * 9 };

static jl_status send_words(const struct jl_panel *panel, bool data, const uint8_t *bytes,
                            size_t count) {
    const struct jl_port *port = panel->port;
    uint8_t packed[PACKED];
    struct jl_transfer t;
    jl_status status = JL_OK;
    while (count && status == JL_OK) {
        size_t part;
        jl_bus_pin(port, JL_PIN_CS, false);
        if (port->ops->send_nine) {
            part = jl_bus_part(port, count);
            t = (struct jl_transfer){.body = bytes, .body_bytes = part};
            status = port->ops->send_nine(port->context, &t, data);
        } else {
            size_t filled = 0;
            uint32_t bits = 0; /* the lowest `waiting` of them are still to go out */
            unsigned waiting = 0;
            size_t most = port->most_body_bytes && port->most_body_bytes < PACKED
                              ? port->most_body_bytes
                              : PACKED;
            for (part = 0; part < count && filled + 2 <= most && part < PAYLOAD; part++) {
                bits = bits << 9 | (data ? 0x100u : 0u) | bytes[part];
                waiting += 9;
                while (waiting >= 8) {
                    waiting -= 8;
                    packed[filled++] = (uint8_t)(bits >> waiting);
                }
            }
            if (waiting) {
                packed[filled++] = (uint8_t)(bits << (8 - waiting));
            }
            t = (struct jl_transfer){.body = packed, .body_bytes = filled};
            status = port->ops->send(port->context, &t);
        }
        jl_bus_pin(port, JL_PIN_CS, true);
        bytes += part;
        count -= part;
    }
    return status;
}

static jl_status send(const struct jl_panel *panel, bool data, const uint8_t *bytes, size_t count) {
    size_t opcodes = jl_bus_opcodes(panel, data, count);
    jl_status status = send_words(panel, data, bytes, opcodes);
    return status == JL_OK ? send_words(panel, true, bytes + opcodes, count - opcodes) : status;
}

static jl_status check(const struct jl_panel *panel) {
    /* CS must frame the words; a packed word needs two bytes of a transfer. */
    return panel->port->most_body_bytes == 1 ? JL_BAD_PORT : jl_pins_check(panel);
}

const struct jl_bus jl_bus_spi_3wire = {.kind = JL_BUS_SPI_3WIRE,
                                        .wires = JL_WIRES_SERIAL,
                                        .check = check,
                                        .send = send,
                                        .lines = jl_bus_lines,
                                        .fill = jl_pattern_fill,
                                        .end = jl_pins_end};
