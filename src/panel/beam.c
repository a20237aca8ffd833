/* Waiting for the controller's scan, by its TE pin. */
#include "jadelamp/beam.h"

#include "panel.h"

enum { LOOK_US = 5 }; /* between two looks at the pin: a tenth of a line at 60 Hz */

/* Waits for a level; what is left of the time. */
static uint32_t wait_level(const struct jl_port *port, bool level, uint32_t left_us) {
    while (left_us >= LOOK_US && port->ops->get_pin(port->context, JL_PIN_TE) != level) {
        port->ops->wait_us(port->context, LOOK_US);
        left_us -= LOOK_US;
    }
    return left_us;
}

jl_status jl_beam_wait(struct jl_panel *panel, enum jl_beam_moment moment, uint32_t timeout_ms) {
    jl_status status = jl_panel_ready(panel);
    if (status != JL_OK) {
        return status;
    }
    const struct jl_port *port = panel->port;
    if (!port->ops->get_pin) {
        return JL_UNSUPPORTED;
    }
    bool level = moment == JL_BEAM_BLANK;
    uint32_t left_us = timeout_ms < UINT32_MAX / 1000 ? timeout_ms * 1000 : UINT32_MAX;
    left_us = wait_level(port, !level, left_us);
    left_us = wait_level(port, level, left_us);
    return left_us < LOOK_US ? JL_TIMEOUT : JL_OK;
}

jl_status jl_beam_present(struct jl_panel *panel, struct jl_frame *frame,
                          enum jl_beam_moment moment, uint32_t timeout_ms) {
    jl_status status = jl_beam_wait(panel, moment, timeout_ms);
    return status == JL_OK ? jl_panel_present(panel, frame) : status;
}
