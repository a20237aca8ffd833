/* The controller's scan, estimated from a clock. */
#include "jadelamp/beam.h"
#include "panel.h"

jl_status jl_beam_timer_start(struct jl_beam_timer *timer, struct jl_panel *panel,
                              uint32_t period_us) {
    if (!timer || !panel || period_us == 0) {
        return JL_BAD_ARGUMENT;
    }
    jl_status status = jl_panel_ready(panel);
    if (status == JL_OK && !panel->port->ops->now_us) {
        return JL_UNSUPPORTED;
    }
    if (status == JL_OK) {
        status = jl_panel_sleep(panel);
    }
    if (status == JL_OK) {
        /* The first command of resuming starts the scan. */
        timer->start_us = panel->port->ops->now_us(panel->port->context);
        timer->period_us = period_us;
        status = jl_panel_resume(panel);
    }
    return status;
}

uint32_t jl_beam_timer_now(const struct jl_beam_timer *timer, const struct jl_port *port) {
    return (port->ops->now_us(port->context) - timer->start_us) % timer->period_us;
}

void jl_beam_timer_wait(const struct jl_beam_timer *timer, const struct jl_port *port,
                        uint32_t at_us) {
    uint32_t wanted = at_us % timer->period_us;
    uint32_t now = jl_beam_timer_now(timer, port);
    port->ops->wait_us(port->context,
                       wanted >= now ? wanted - now : timer->period_us - now + wanted);
}
