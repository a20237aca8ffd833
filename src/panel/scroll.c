/* The controller's own scrolls, and its partial display. */
#include "../core/lone.h"
#include "panel.h"
#include "steps.h"

static jl_status send_scroll(struct jl_panel *panel, const struct jl_scroll *scroll) {
    uint8_t steps[JL_STEPS_MOST_BYTES];
    size_t bytes = jl_config_of(panel)->motion->scroll(scroll, steps);
    if (!bytes) {
        return jl_panel_note(panel, JL_OUT_OF_RANGE);
    }
    return jl_panel_end_call(panel, jl_steps_run_encoded(panel, steps, bytes));
}

jl_status jl_panel_scroll_start(struct jl_panel *panel, const struct jl_scroll *scroll) {
    jl_status status = jl_panel_ready(panel);
    if (status != JL_OK) {
        return status;
    }
    if (!scroll) {
        return jl_panel_note(panel, JL_BAD_ARGUMENT);
    }
    if (!jl_config_of(panel)->motion || !jl_config_of(panel)->motion->scroll) {
        return jl_panel_note(panel, JL_NO_MOTION);
    }
    uint8_t shift = jl_format_of(panel)->line_rows_log2;
    if (scroll->last_page < scroll->first_page ||
        scroll->last_page << shift >= jl_config_of(panel)->height) {
        return jl_panel_note(panel, JL_OUT_OF_RANGE);
    }
    status = send_scroll(panel, scroll);
    if (status == JL_OK) {
        panel->state = STATE_SCROLLING;
    }
    return status;
}

jl_status jl_panel_scroll_stop(struct jl_panel *panel) {
    if (!panel || panel->state != STATE_SCROLLING) {
        return jl_panel_ready(panel);
    }
    panel->state = STATE_AWAKE;
    /* The scroll moved the RAM's content by an unknown number of steps. */
    panel->shown = NULL;
    return send_scroll(panel, NULL);
}
