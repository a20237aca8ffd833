/* The serial interface of the st7920 (datasheet, serial interface). */
#include "bus_pins.h"

#include "../core/lone.h"

/*
 * The next byte counts when its last bit is in, so its own 16 bits are part of the wait; rounded
 * so that the wait is never too short.
 */
static uint32_t pause_us(const struct jl_panel *panel) {
    uint32_t clock_hz = panel->port->clock_hz;
    uint32_t busy_us = jl_config_of(panel)->controller->byte_us;
    uint32_t bits_us = clock_hz ? 16000000u / clock_hz : 0;
    return bits_us < busy_us ? busy_us - bits_us : 0;
}

/* CS is active high; low ends whatever was cut off before. */
static void end(const struct jl_panel *panel) {
    jl_bus_pin(panel->port, JL_PIN_CS, false);
}

/* One sync byte, then as many bytes as there are. */
static jl_status send(const struct jl_panel *panel, bool data, const uint8_t *bytes, size_t count) {
    const struct jl_port *port = panel->port;
    uint32_t pause = pause_us(panel);
    uint8_t wire[3] = {data ? 0xFA : 0xF8};
    struct jl_transfer t = {.body = wire, .body_bytes = sizeof wire};
    jl_status status = JL_OK;
    end(panel);
    jl_bus_pin(port, JL_PIN_CS, true);
    for (; count && status == JL_OK; count--, bytes++) {
        wire[1] = *bytes & 0xF0;
        wire[2] = (uint8_t)(*bytes << 4);
        status = port->ops->send(port->context, &t);
        port->ops->wait_us(port->context, pause);
        t.body = wire + 1;
        t.body_bytes = 2;
    }
    end(panel);
    return status;
}

static jl_status check(const struct jl_panel *panel) {
    bool whole = !panel->port->most_body_bytes || panel->port->most_body_bytes >= 3;
    return whole ? jl_pins_check(panel) : JL_BAD_PORT;
}

const struct jl_bus jl_bus_st7920_serial = {.kind = JL_BUS_ST7920_SERIAL,
                                            .wires = JL_WIRES_SERIAL,
                                            .check = check,
                                            .send = send,
                                            .lines = jl_bus_lines,
                                            .fill = jl_pattern_fill,
                                            .end = end};
