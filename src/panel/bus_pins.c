/*
 * SPI, 8080 and 6800: D/C is sampled with the last bit of each byte (ssd1306 datasheet 8.1.3) or
 * with the strobe, so it may change only between transfers.
 */
#include "bus_pins.h"

#include "../core/lone.h"
#include "../core/mem.h"
#include "../core/quotient.h"

void jl_pins_begin(const struct jl_panel *panel, bool data, struct jl_transfer *transfer) {
    *transfer = (struct jl_transfer){0}; /* no head: the pins say it */
    jl_bus_pin(panel->port, JL_PIN_DC, data);
    jl_bus_pin(panel->port, JL_PIN_CS, false);
}

void jl_pins_end(const struct jl_panel *panel) {
    jl_bus_pin(panel->port, JL_PIN_CS, true);
}

jl_status jl_pins_send(const struct jl_panel *panel, bool data, const uint8_t *bytes,
                       size_t count) {
    size_t opcodes = jl_bus_opcodes(panel, data, count);
    jl_status status = jl_bus_send(panel, data, bytes, opcodes);
    if (status == JL_OK && count > opcodes) {
        status = jl_bus_send(panel, true, bytes + opcodes, count - opcodes);
    }
    return status;
}

jl_status jl_pins_lines(const struct jl_panel *panel, const struct jl_rest *rest) {
    const struct jl_port *port = panel->port;
    const struct jl_bus *bus = jl_config_of(panel)->bus;
    const uint8_t *line = rest->line;
    size_t line_bytes = rest->line_bytes;
    size_t lines = rest->lines;
    struct jl_transfer t;
    jl_status status = JL_OK;
    bus->begin(panel, true, &t);
    while (lines && status == JL_OK) {
        const uint8_t *from = line;
        size_t bytes = line_bytes;
        /* Worth a copy when at least two lines fit. */
        if (lines > 1 && 2 * line_bytes <= port->work_memory_bytes) {
            from = port->work_memory;
            for (bytes = 0; lines && bytes + line_bytes <= port->work_memory_bytes; lines--) {
                memcpy(port->work_memory + bytes, line, line_bytes);
                bytes += line_bytes;
                line += rest->stride_bytes;
            }
        } else {
            lines--;
            line += rest->stride_bytes;
        }
        for (; bytes && status == JL_OK; bytes -= t.body_bytes) {
            t.body = from;
            t.body_bytes = jl_bus_part(port, bytes);
            from += t.body_bytes;
            status = port->ops->send(port->context, &t);
        }
    }
    bus->end(panel);
    return status;
}

jl_status jl_pins_fill(const struct jl_panel *panel, const uint8_t *pixel, uint32_t total_bytes) {
    const struct jl_port *port = panel->port;
    const struct jl_bus *bus = jl_config_of(panel)->bus;
    if (!port->ops->repeat) {
        return jl_pattern_fill(panel, pixel, total_bytes);
    }
    struct jl_transfer t;
    bus->begin(panel, true, &t);
    t.body = pixel;
    t.body_bytes = jl_pixel_bytes(panel);
    jl_status status =
        port->ops->repeat(port->context, &t, jl_quotient(total_bytes, (uint32_t)t.body_bytes));
    bus->end(panel);
    return status;
}

jl_status jl_pins_check(const struct jl_panel *panel) {
    return panel->port->ops->set_pin ? JL_OK : JL_BAD_PORT;
}
