/* Windows and clearing the controller's RAM. */
#include "window.h"

#include "bus.h"
#include "steps.h"

jl_status jl_window_open(struct jl_panel *panel, struct jl_rect area) {
    uint8_t steps[JL_STEPS_MOST_BYTES];
    size_t bytes = panel->config->controller->window(panel, area, steps);
    return jl_steps_run_plain(panel, steps, bytes);
}

jl_status jl_window_clear(struct jl_panel *panel) {
    static const uint8_t black[3] = {0};
    const struct jl_format *format = panel->format;
    struct jl_rect whole = {0, 0, panel->width, panel->height};
    jl_status status = jl_window_open(panel, whole);
    if (status != JL_OK) {
        return status;
    }
    uint8_t pixel_bytes = (uint8_t)((format->bits_per_pixel + 7) >> 3);
    uint32_t lines = jl_lines(format, panel->height);
    return panel->config->bus->fill(panel, black, pixel_bytes,
                                    lines * jl_line_bytes(format, panel->width));
}
