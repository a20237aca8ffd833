/* Steps that only some controllers need: waiting for the BUSY pin, and blocks of bytes. */
#include "jadelamp/panel.h"

#include "../core/lone.h"

static jl_status wait_busy(const struct jl_port *port, bool level, uint32_t ms) {
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

jl_status jl_rare_step(const struct jl_panel *panel, const uint8_t *step) {
    const struct jl_panel_config *config = jl_config_of(panel);
    if (step[0] == JL_STEP_CODE_WAIT_BUSY) {
        return wait_busy(panel->port, step[1] != 0, step[2] | (uint32_t)step[3] << 8);
    }
    if (step[1] >= config->block_count) {
        return JL_BAD_STEPS;
    }
    const struct jl_block *block = &config->blocks[step[1]];
    return config->bus->send(panel, false, block->bytes, block->count);
}
