/* The port onto the simulated board. It does what a careful firmware port does. */
#include "jadelamp/sim/sim_port.h"

static bool write_all(struct jl_i2c_bus *bus, const uint8_t *bytes, size_t count) {
    bool acknowledged = true;
    for (size_t i = 0; i < count && acknowledged; i++) {
        acknowledged = jl_i2c_write(bus, bytes[i]);
    }
    return acknowledged;
}

static jl_status send_i2c(struct jl_i2c_bus *bus, const struct jl_transfer *t) {
    if (!jl_i2c_start(bus)) {
        return JL_TIMEOUT;
    }
    bool acknowledged = jl_i2c_write(bus, (uint8_t)(t->i2c_address << 1)) &&
                        write_all(bus, t->head, t->head_bytes) &&
                        write_all(bus, t->body, t->body_bytes);
    jl_i2c_stop(bus);
    return acknowledged ? JL_OK : JL_NO_ANSWER;
}

static jl_status send(void *context, const struct jl_transfer *t) {
    struct jl_sim_port *port = context;
    if (port->i2c) {
        return send_i2c(port->i2c, t);
    }
    if (t->head_bytes) {
        jl_spi_write(port->spi, t->head, t->head_bytes);
    }
    if (t->body_bytes) {
        jl_spi_write(port->spi, t->body, t->body_bytes);
    }
    return JL_OK;
}

static void wait_us(void *context, uint32_t microseconds) {
    struct jl_sim_port *port = context;
    jl_board_wait_ps(port->board, microseconds * (uint64_t)1000000);
}

static void set_pin(void *context, enum jl_pin pin, bool high) {
    struct jl_sim_port *port = context;
    static const struct {
        enum jl_pin pin;
        enum jl_device_pin device_pin;
    } map[] = {
        {JL_PIN_RESET, JL_DEVICE_RESET}, {JL_PIN_DC, JL_DEVICE_DC}, {JL_PIN_CS, JL_DEVICE_CS}};
    for (size_t i = 0; i < sizeof map / sizeof map[0]; i++) {
        if (port->device && map[i].pin == pin) {
            jl_device_set_pin(port->device, map[i].device_pin, high);
        }
    }
}

const struct jl_port_ops jl_sim_port_ops = {
    .send = send,
    .wait_us = wait_us,
    .set_pin = set_pin,
};
