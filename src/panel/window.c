/* Windows and clearing the controller's RAM. */
#include "window.h"

#include "bus.h"
#include "steps.h"

jl_status jl_window_open(const struct jl_panel *panel, struct jl_rect area) {
    uint8_t steps[JL_STEPS_MOST_BYTES];
    size_t bytes = panel->config->controller->window(panel, area, steps);
    return jl_steps_run_plain(panel, steps, bytes);
}

jl_status jl_window_clear(const struct jl_panel *panel) {
    /* In flash: long enough that the control bytes cost 6 % on I2C, short for an 8 KB part. */
    static const uint8_t black[32] = {0};
    const struct jl_panel_config *config = panel->config;
    const struct jl_format *format = config->controller->format;
    struct jl_rect whole = {0, 0, config->width, config->height};
    jl_status status = jl_window_open(panel, whole);

    uint32_t lines = jl_lines(format, config->height);
    uint32_t left = lines * jl_line_bytes(format, config->width);
    while (left && status == JL_OK) {
        uint32_t part = left < sizeof black ? left : sizeof black;
        status = jl_bus_data(panel, black, part);
        left -= part;
    }
    return status;
}
