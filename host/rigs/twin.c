/* Two ports behind one. */
#include "jadelamp/host/twin.h"

static jl_status both(struct jl_twin *twin, jl_status first, jl_status second) {
    if (twin->second_status == JL_OK) {
        twin->second_status = second;
    }
    return second == JL_OK ? first : second;
}

static jl_status send(void *context, const struct jl_transfer *transfer) {
    struct jl_twin *twin = context;
    jl_status first = twin->first.ops->send(twin->first.context, transfer);
    return both(twin, first, twin->second->ops->send(twin->second->context, transfer));
}

static jl_status receive(void *context, const struct jl_transfer *transfer, uint8_t *bytes,
                         size_t count) {
    struct jl_twin *twin = context;
    jl_status first = twin->first.ops->receive(twin->first.context, transfer, bytes, count);
    return both(twin, first,
                twin->second->ops->receive(twin->second->context, transfer, bytes, count));
}

static void wait_us(void *context, uint32_t microseconds) {
    const struct jl_twin *twin = context;
    twin->first.ops->wait_us(twin->first.context, microseconds);
    twin->second->ops->wait_us(twin->second->context, microseconds);
}

static void set_pin(void *context, enum jl_pin pin, bool high) {
    const struct jl_twin *twin = context;
    if (twin->first.ops->set_pin) {
        twin->first.ops->set_pin(twin->first.context, pin, high);
    }
    if (twin->second->ops->set_pin) {
        twin->second->ops->set_pin(twin->second->context, pin, high);
    }
}

/* While the levels differ one of the two is still busy: then nothing has changed yet. */
static bool get_pin(void *context, enum jl_pin pin) {
    struct jl_twin *twin = context;
    bool first = twin->first.ops->get_pin(twin->first.context, pin);
    if (pin != JL_PIN_BUSY || !twin->second->ops->get_pin) {
        return first;
    }
    if (twin->second->ops->get_pin(twin->second->context, pin) == first) {
        twin->agreed = first;
    }
    return twin->agreed;
}

static uint32_t now_us(void *context) {
    const struct jl_twin *twin = context;
    return twin->first.ops->now_us(twin->first.context);
}

static void set_duty(void *context, enum jl_pin pin, uint16_t duty) {
    const struct jl_twin *twin = context;
    twin->first.ops->set_duty(twin->first.context, pin, duty);
}

/* The fewer of two limits, 0 being none. */
static uint16_t fewer(uint16_t a, uint16_t b) {
    return !a || (b && b < a) ? b : a;
}

void jl_twin_begin(struct jl_twin *twin, struct jl_port *port, const struct jl_port *second) {
    const struct jl_port_ops *one = port->ops;
    *twin = (struct jl_twin){.first = *port, .second = second};
    twin->ops = (struct jl_port_ops){.send = send, .wait_us = wait_us, .set_pin = set_pin};
    twin->ops.receive = one->receive && second->ops->receive ? receive : NULL;
    twin->ops.get_pin = one->get_pin ? get_pin : NULL;
    twin->ops.now_us = one->now_us ? now_us : NULL;
    twin->ops.set_duty = one->set_duty ? set_duty : NULL;
    port->ops = &twin->ops;
    port->context = twin;
    port->most_body_bytes = fewer(port->most_body_bytes, second->most_body_bytes);
}
