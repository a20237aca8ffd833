/* A touch panel: opening, waking, and reading in its own coordinates. */
#include "touch.h"

#include "jadelamp/target.h"

jl_status jl_touch_registers(const struct jl_touch *touch, const uint8_t *address,
                             size_t address_bytes, uint8_t *bytes, size_t count) {
    const struct jl_transfer t = {
        .body = address, .body_bytes = address_bytes, .i2c_address = touch->config->i2c_address};
    return touch->port->ops->receive(touch->port->context, &t, bytes, count);
}

jl_status jl_touch_send(const struct jl_touch *touch, const uint8_t *bytes, size_t count) {
    const struct jl_transfer t = {
        .body = bytes, .body_bytes = count, .i2c_address = touch->config->i2c_address};
    return touch->port->ops->send(touch->port->context, &t);
}

void jl_touch_keep(struct jl_touch *touch, uint16_t x, uint16_t y, uint8_t finger,
                   uint16_t pressure) {
    if (touch->raw_count < JL_TOUCH_POINTS) {
        touch->raw[touch->raw_count++] =
            (struct jl_touch_point){(int16_t)x, (int16_t)y, finger, pressure};
    }
}

/* Whether the pen line, if it is wired and a level, says that nothing touches. */
static bool pen_is_up(const struct jl_touch *touch) {
    const struct jl_touch_config *config = touch->config;
    return config->pen_wired && config->part->pen_is_level &&
           touch->port->ops->get_pin(touch->port->context, JL_PIN_PEN);
}

static jl_status check(const struct jl_touch_config *config, const struct jl_port_ops *ops) {
    if (config->width < 1 || config->height < 1) {
        return JL_BAD_SIZE;
    }
    if (config->mounting > (JL_TURN_270 | JL_TURN_MIRROR)) {
        return JL_BAD_TURN;
    }
    if (config->map && !jl_touch_map_is_good(config->map)) {
        return JL_BAD_ARGUMENT;
    }
    if (!config->part->is_spi && (config->i2c_address < 0x08 || config->i2c_address > 0x77)) {
        return JL_BAD_ADDRESS;
    }
    bool pins = config->part->is_spi || config->reset_wired;
    if (!ops || !ops->receive || !ops->send || !ops->wait_us || (pins && !ops->set_pin) ||
        (config->pen_wired && !ops->get_pin)) {
        return JL_BAD_PORT;
    }
    return JL_OK;
}

jl_status jl_touch_open(struct jl_touch *touch, const struct jl_touch_config *config,
                        const struct jl_port *port) {
    if (!touch) {
        return JL_BAD_ARGUMENT;
    }
    *touch = (struct jl_touch){.port = port};
    if (!config || !config->part || !port) {
        return JL_BAD_ARGUMENT;
    }
    jl_status status = check(config, port->ops);
    if (status == JL_OK) {
        touch->config = config;
        touch->map = config->map;
    }
    return status;
}

jl_status jl_touch_fetch(struct jl_touch *touch) {
    jl_status status = JL_OK;
    bool up = pen_is_up(touch);
    if (!up) {
        status = touch->config->part->read(touch);
    }
    if (up || status != JL_OK) {
        touch->raw_count = 0;
    }
    return status;
}

jl_status jl_touch_wake(struct jl_touch *touch) {
    if (!touch || !touch->config) {
        return JL_BAD_ARGUMENT;
    }
    const struct jl_touch_config *config = touch->config;
    const struct jl_port *port = touch->port;
    if (config->part->is_spi) {
        port->ops->set_pin(port->context, JL_PIN_TOUCH_CS, true);
    }
    if (config->reset_wired) {
        port->ops->set_pin(port->context, JL_PIN_TOUCH_RESET, false);
        port->ops->wait_us(port->context, (uint32_t)config->part->reset_low_ms * 1000);
        port->ops->set_pin(port->context, JL_PIN_TOUCH_RESET, true);
    }
    port->ops->wait_us(port->context, (uint32_t)config->part->reset_recovery_ms * 1000);
    jl_status status = config->part->wake ? config->part->wake(touch) : JL_OK;
    return status == JL_OK ? jl_touch_fetch(touch) : status;
}

jl_status jl_touch_turn(struct jl_touch *touch, uint8_t turn) {
    if (!touch || !touch->config) {
        return JL_BAD_ARGUMENT;
    }
    if (turn > (JL_TURN_270 | JL_TURN_MIRROR)) {
        return JL_BAD_TURN;
    }
    touch->turn = turn;
    return JL_OK;
}

jl_status jl_touch_use_map(struct jl_touch *touch, const struct jl_touch_map *map) {
    if (!touch || !touch->config || (map && !jl_touch_map_is_good(map))) {
        return JL_BAD_ARGUMENT;
    }
    touch->map = map;
    return JL_OK;
}
