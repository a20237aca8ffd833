/* Lines, one after the other. */
#include "bus.h"

jl_status jl_bus_lines(const struct jl_panel *panel, const struct jl_rest *rest) {
    const uint8_t *line = rest->line;
    jl_status status = JL_OK;
    for (uint32_t left = rest->lines; left && status == JL_OK; left--) {
        status = panel->config->bus->send(panel, true, line, (size_t)rest->line_bytes);
        line += rest->stride_bytes;
    }
    return status;
}
