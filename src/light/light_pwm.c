/* A backlight that is dimmed by the port. */
#include "jadelamp/light.h"

static jl_status set(struct jl_panel *panel, uint16_t duty) {
    const struct jl_port *port = panel->port;
    if (!port->ops->set_duty) {
        return JL_BAD_PORT;
    }
    port->ops->set_duty(port->context, JL_PIN_LIGHT, duty);
    return JL_OK;
}

const struct jl_light_way jl_light_pwm = {set};
