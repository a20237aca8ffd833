/* Sending what changed. */
#include "present.h"

#include "../core/lone.h"
#include "panel.h"

jl_status jl_panel_present(struct jl_panel *panel, struct jl_frame *frame) {
    jl_status status = jl_panel_ready(panel);
    if (status != JL_OK) {
        return status;
    }
    status = jl_present_check(panel, frame);
    if (status != JL_OK) {
        return jl_panel_note(panel, status);
    }
    const struct jl_paper *paper = jl_config_of(panel)->controller->paper;
    if (paper) {
        return paper->present(panel, frame);
    }
    const struct jl_rect *areas;
    uint8_t count = jl_present_areas(panel, frame, &areas);
    for (; count && status == JL_OK; count--, areas++) {
        status = jl_area_send(panel, areas, frame);
    }
    if (status == JL_OK) {
        jl_present_done(panel, frame);
    }
    return jl_panel_end_call(panel, status);
}
