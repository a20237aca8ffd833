/* The light behind the glass. */
#include "panel.h"

#include "../core/lone.h"

jl_status jl_panel_light(struct jl_panel *panel, bool on) {
    if (!panel) {
        return JL_BAD_ARGUMENT;
    }
    if (panel->state == STATE_UNUSABLE) {
        return JL_NOT_AWAKE;
    }
    const struct jl_port *port = panel->port;
    if (!(jl_config_of(panel)->module & JL_MODULE_LIGHT_WIRED)) {
        return jl_panel_note(panel, JL_UNSUPPORTED);
    }
    if (!port->ops->set_pin) {
        return jl_panel_note(panel, JL_BAD_PORT);
    }
    port->ops->set_pin(port->context, JL_PIN_LIGHT, on);
    return JL_OK;
}
