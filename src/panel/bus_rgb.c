/* Glass without a command port: nothing is sent. */
#include "bus.h"

static jl_status check(const struct jl_panel *panel) {
    return panel->port->ops->scanout ? JL_OK : JL_BAD_PORT;
}

static jl_status send(const struct jl_panel *panel, bool data, const uint8_t *bytes, size_t count) {
    (void)panel;
    (void)data;
    (void)bytes;
    (void)count;
    return JL_UNSUPPORTED;
}

static jl_status lines(const struct jl_panel *panel, const struct jl_rest *rest) {
    (void)panel;
    (void)rest;
    return JL_UNSUPPORTED;
}

static jl_status fill(const struct jl_panel *panel, const uint8_t *pixel, uint32_t total_bytes) {
    (void)panel;
    (void)pixel;
    (void)total_bytes;
    return JL_UNSUPPORTED;
}

static void end(const struct jl_panel *panel) {
    (void)panel;
}

const struct jl_bus jl_bus_rgb = {.kind = JL_BUS_RGB,
                                  .wires = JL_WIRES_SERIAL,
                                  .check = check,
                                  .send = send,
                                  .lines = lines,
                                  .fill = fill,
                                  .end = end};
