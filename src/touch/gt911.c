/* gt911: five points, in 16-bit registers from 814Eh on (programming guide). */
#include "touch.h"

enum { MOST_POINTS = 5, POINT_BYTES = 8, READY = 0x80, ADDRESS_PEN_LOW = 0x5D };

static void wait_ms(const struct jl_touch *touch, uint32_t ms) {
    touch->port->ops->wait_us(touch->port->context, ms * 1000);
}

/* The level of the pen line while reset ends is the address; then it is an output of the part. */
static void choose_address(const struct jl_touch *touch) {
    const struct jl_port *port = touch->port;
    port->ops->set_pin(port->context, JL_PIN_TOUCH_RESET, false);
    port->ops->set_pin(port->context, JL_PIN_PEN, touch->config->i2c_address != ADDRESS_PEN_LOW);
    wait_ms(touch, 10);
    port->ops->set_pin(port->context, JL_PIN_TOUCH_RESET, true);
    wait_ms(touch, 5);
    port->ops->get_pin(port->context, JL_PIN_PEN);
    wait_ms(touch, 50);
}

static jl_status wake(struct jl_touch *touch) {
    if (touch->config->reset_wired && touch->config->pen_wired) {
        choose_address(touch);
    }
    touch->raw_count = 0;
    return JL_OK;
}

static jl_status read(struct jl_touch *touch) {
    static const uint8_t state_address[] = {0x81, 0x4E}, taken[] = {0x81, 0x4E, 0};
    static const uint8_t point_address[] = {0x81, 0x4F};
    uint8_t state, bytes[MOST_POINTS * POINT_BYTES];
    jl_status status = jl_touch_registers(touch, state_address, 2, &state, 1);
    if (status != JL_OK || !(state & READY)) {
        return status; /* no news: the points are as they were */
    }
    uint8_t told = state & 0x0F;
    if (told > 0 && told <= MOST_POINTS) {
        status = jl_touch_registers(touch, point_address, 2, bytes, (size_t)told * POINT_BYTES);
    }
    if (status == JL_OK) {
        status = jl_touch_send(touch, taken, sizeof taken); /* else no other report comes */
    }
    if (status == JL_OK && told <= MOST_POINTS) {
        touch->raw_count = 0;
        for (const uint8_t *p = bytes; told > 0; told--, p += POINT_BYTES) {
            jl_touch_keep(touch, (uint16_t)(p[1] | p[2] << 8), (uint16_t)(p[3] | p[4] << 8), p[0],
                          0);
        }
    }
    return status;
}

const struct jl_touch_part jl_gt911 = {
    .name = "gt911",
    .reset_low_ms = 10,
    .reset_recovery_ms = 50,
    .wake = wake,
    .read = read,
};
