/* Waiting for the BUSY pin, for the controllers that have one. */
#include "jadelamp/controller.h"
#include "jadelamp/port.h"

jl_status jl_wait_busy_pin(const struct jl_port *port, const uint8_t arguments[3]) {
    bool level = arguments[0] != 0;
    uint32_t ms = arguments[1] | (uint32_t)arguments[2] << 8;
    if (!port->ops->get_pin) {
        return JL_UNSUPPORTED;
    }
    for (;; ms--) {
        if (port->ops->get_pin(port->context, JL_PIN_BUSY) == level) {
            return JL_OK;
        }
        if (ms == 0) {
            return JL_TIMEOUT;
        }
        port->ops->wait_us(port->context, 1000);
    }
}
