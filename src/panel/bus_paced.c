/* Controllers without a buffer: after every byte they are busy for some time. */
#include "bus_pins.h"

static jl_status send_parallel(const struct jl_panel *panel, bool data, const uint8_t *bytes,
                               size_t count) {
    const struct jl_port *port = panel->port;
    jl_status status = JL_OK;
    for (; count && status == JL_OK; count--) {
        status = jl_pins_send(panel, data, bytes++, 1);
        port->ops->wait_us(port->context, panel->config->controller->byte_us);
    }
    return status;
}

/*
 * The next byte counts when its last bit is in, so its own 16 bits are part of the wait; rounded
 * so that the wait is never too short.
 */
static uint32_t pause_us(const struct jl_panel *panel) {
    uint32_t clock_hz = panel->port->clock_hz;
    uint32_t busy_us = panel->config->controller->byte_us;
    uint32_t bits_us = clock_hz ? 16000000u / clock_hz : 0;
    return bits_us < busy_us ? busy_us - bits_us : 0;
}

/* One sync byte, then as many bytes as there are (st7920 datasheet, serial interface). */
static jl_status send_serial(const struct jl_panel *panel, bool data, const uint8_t *bytes,
                             size_t count) {
    const struct jl_port *port = panel->port;
    uint32_t pause = pause_us(panel);
    uint8_t wire[3] = {data ? 0xFA : 0xF8};
    struct jl_transfer t = {.body = wire, .body_bytes = sizeof wire};
    jl_status status = JL_OK;
    jl_bus_pin(port, JL_PIN_CS, false); /* ends whatever was cut off before */
    jl_bus_pin(port, JL_PIN_CS, true);
    for (; count && status == JL_OK; count--, bytes++) {
        wire[1] = *bytes & 0xF0;
        wire[2] = (uint8_t)(*bytes << 4);
        status = port->ops->send(port->context, &t);
        port->ops->wait_us(port->context, pause);
        t.body = wire + 1;
        t.body_bytes = 2;
    }
    jl_bus_pin(port, JL_PIN_CS, false);
    return status;
}

static jl_status check_parallel(const struct jl_panel_config *config,
                                const struct jl_format *format, const struct jl_port *port) {
    return jl_pins_check(port, format, config->controller->parallel_layouts);
}

static jl_status check_serial(const struct jl_panel_config *config, const struct jl_format *format,
                              const struct jl_port *port) {
    bool whole = !port->most_body_bytes || port->most_body_bytes >= 3;
    return whole ? jl_pins_check(port, format, config->controller->serial_layouts) : JL_BAD_PORT;
}

const struct jl_bus jl_bus_6800_8_paced = {
    .kind = JL_BUS_6800_8, .check = check_parallel, .send = send_parallel, .fill = jl_pattern_fill};

const struct jl_bus jl_bus_spi_sync = {
    .kind = JL_BUS_SPI_SYNC, .check = check_serial, .send = send_serial, .fill = jl_pattern_fill};
