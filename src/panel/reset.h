/* The reset pin. */
#ifndef JADELAMP_SRC_RESET_H
#define JADELAMP_SRC_RESET_H

#include "../core/lone.h"
#include "bus.h"

/* Whatever the pin was before: low for long enough, then high, is a reset. */
static inline void jl_reset(const struct jl_panel *panel) {
    const struct jl_controller *controller = jl_config_of(panel)->controller;
    const struct jl_port *port = panel->port;
    uint16_t us = controller->reset_low_us;
    for (uint8_t high = 0; high < 2; high++) {
        jl_bus_pin(port, JL_PIN_RESET, high);
        port->ops->wait_us(port->context, us);
        us = controller->reset_recovery_us;
    }
}

#endif
