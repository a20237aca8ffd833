/* Lines, one after the other. */
#include "bus.h"

#include "../core/lone.h"

jl_status jl_bus_lines(const struct jl_panel *panel, const struct jl_rest *rest) {
    const uint8_t *line = rest->line;
    jl_status status = JL_OK;
    for (size_t left = rest->lines; left && status == JL_OK; left--) {
        status = jl_config_of(panel)->bus->send(panel, true, line, rest->line_bytes);
        line += rest->stride_bytes;
    }
    return status;
}
