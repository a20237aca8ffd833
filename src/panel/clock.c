/* Is the bus within the controller's limit? Apart, since firmware rarely asks. */
#include "panel.h"

#include "../core/lone.h"

jl_status jl_panel_check_clock(const struct jl_panel *panel, uint32_t *limit_hz) {
    if (!panel || panel->state == STATE_UNUSABLE) {
        return JL_BAD_ARGUMENT;
    }
    const struct jl_controller *controller = jl_config_of(panel)->controller;
    const struct jl_bus *bus = jl_config_of(panel)->bus;
    uint16_t cycle_ns = bus->cycle_ns                   ? bus->cycle_ns
                        : bus->wires == JL_WIRES_SERIAL ? controller->serial_cycle_ns
                                                        : controller->parallel_cycle_ns;
    uint32_t limit = 1000000000u / cycle_ns;
    if (limit_hz) {
        *limit_hz = limit;
    }
    return panel->port->clock_hz > limit ? JL_CLOCK_TOO_FAST : JL_OK;
}
