/*
 * SPI and 8080: D/C is sampled with the last bit of each byte (ssd1306 datasheet 8.1.3) or
 * with the strobe, so it may change only between transfers.
 */
#include "bus_pins.h"

#include "../core/mem.h"

static void begin(const struct jl_port *port, bool data) {
    jl_bus_pin(port, JL_PIN_DC, data);
    jl_bus_pin(port, JL_PIN_CS, false);
}

/* CS is released after an error too, so that the next transfer starts on a byte boundary. */
static jl_status end(const struct jl_port *port, jl_status status) {
    jl_bus_pin(port, JL_PIN_CS, true);
    return status;
}

/* In as many transfers as the port asks. */
static jl_status send_parts(const struct jl_port *port, const uint8_t *bytes, size_t count) {
    jl_status status = JL_OK;
    while (count && status == JL_OK) {
        struct jl_transfer t = {.body = bytes, .body_bytes = jl_bus_part(port, count)};
        status = port->ops->send(port->context, &t);
        bytes += t.body_bytes;
        count -= t.body_bytes;
    }
    return status;
}

jl_status jl_pins_send(const struct jl_panel *panel, bool data, const uint8_t *bytes,
                       size_t count) {
    const struct jl_port *port = panel->port;
    begin(port, data);
    return end(port, send_parts(port, bytes, count));
}

jl_status jl_pins_lines(const struct jl_panel *panel, const uint8_t *line, uint32_t line_bytes,
                        uint32_t lines, uint16_t stride_bytes) {
    const struct jl_port *port = panel->port;
    jl_status status = JL_OK;
    begin(port, true);
    while (lines && status == JL_OK) {
        const uint8_t *from = line;
        uint32_t bytes = line_bytes;
        /* Worth a copy when at least two lines fit. */
        if (lines > 1 && 2 * line_bytes <= port->work_memory_bytes) {
            from = port->work_memory;
            for (bytes = 0; lines && bytes + line_bytes <= port->work_memory_bytes; lines--) {
                memcpy(port->work_memory + bytes, line, line_bytes);
                bytes += line_bytes;
                line += stride_bytes;
            }
        } else {
            lines--;
            line += stride_bytes;
        }
        status = send_parts(port, from, bytes);
    }
    return end(port, status);
}

jl_status jl_pins_fill(const struct jl_panel *panel, const uint8_t *pixel, uint32_t total_bytes) {
    const struct jl_port *port = panel->port;
    if (!port->ops->repeat) {
        return jl_pattern_fill(panel, pixel, total_bytes);
    }
    struct jl_transfer t = {.body = pixel, .body_bytes = jl_pixel_bytes(panel)};
    begin(port, true);
    return end(port, port->ops->repeat(port->context, &t, total_bytes / (uint32_t)t.body_bytes));
}

jl_status jl_pins_check(const struct jl_port *port, const struct jl_format *format,
                        uint16_t layouts) {
    if (!port->ops->set_pin) {
        return JL_BAD_PORT;
    }
    return layouts >> format->layout & 1 ? JL_OK : JL_BAD_FORMAT;
}
