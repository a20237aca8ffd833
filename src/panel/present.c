/* Sending what changed. */
#include "panel.h"
#include "run.h"

jl_status jl_present_area(struct jl_panel *panel, const struct jl_frame *frame,
                          struct jl_rect area) {
    struct jl_run run;
    jl_run_find(panel, frame, area, &run);
    return panel->config->controller->write(panel, &run);
}

jl_status jl_panel_present(struct jl_panel *panel, struct jl_frame *frame) {
    jl_status status = jl_panel_ready(panel);
    if (status != JL_OK) {
        /* A shadow may hold already what is refused here: the next one must send everything. */
        if (panel) {
            panel->shown = NULL;
        }
        return status;
    }
    status = jl_present_check(panel, frame);
    if (status != JL_OK) {
        return status;
    }
    const struct jl_rect *areas;
    uint8_t count = jl_present_areas(panel, frame, &areas);
    for (uint8_t i = 0; i < count && status == JL_OK; i++) {
        status = jl_present_area(panel, frame, areas[i]);
    }
    if (status == JL_OK) {
        panel->shown = frame;
        if (frame->damage) {
            frame->damage->count = 0;
        }
    }
    return jl_panel_settle(panel, status);
}
