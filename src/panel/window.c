/* Windows and clearing the controller's RAM. */
#include "window.h"

#include "bus.h"
#include "run.h"
#include "steps.h"

jl_status jl_window_open(struct jl_panel *panel, struct jl_rect area) {
    uint8_t steps[JL_STEPS_MOST_BYTES];
    size_t bytes = panel->config->controller->window(panel, area, steps);
    return jl_steps_run_plain(panel, steps, bytes);
}

jl_status jl_write_window(struct jl_panel *panel, const struct jl_run *run) {
    jl_status status = jl_window_open(panel, run->area);
    return status == JL_OK ? jl_run_send(panel, run) : status;
}

jl_status jl_window_clear(struct jl_panel *panel) {
    const struct jl_run black = {.area = {0, 0, panel->width, panel->height}};
    return panel->config->controller->write(panel, &black);
}
