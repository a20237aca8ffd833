/* Is the bus within the controller's limit? Apart, since firmware rarely asks. */
#include "panel.h"

jl_status jl_panel_check_clock(const struct jl_panel *panel, uint32_t *limit_hz) {
    if (!panel || panel->state == STATE_UNUSABLE) {
        return JL_BAD_ARGUMENT;
    }
    const struct jl_controller *controller = panel->config->controller;
    uint32_t limit = 400000; /* I2C fast mode, UM10204 */
    if (panel->config->bus->kind != JL_BUS_I2C) {
        uint8_t kind = panel->config->bus->kind;
        bool serial = kind == JL_BUS_SPI || kind == JL_BUS_SPI_3WIRE || kind == JL_BUS_SPI_SYNC;
        limit =
            1000000000u / (serial ? controller->serial_cycle_ns : controller->parallel_cycle_ns);
    }
    if (limit_hz) {
        *limit_hz = limit;
    }
    return panel->port->clock_hz > limit ? JL_CLOCK_TOO_FAST : JL_OK;
}
