/* Rows of the glass that show other rows of the RAM, or nothing. */
#include "../core/lone.h"
#include "panel.h"
#include "steps.h"

static bool on_glass(const struct jl_panel *panel, int16_t top, int16_t rows) {
    return top >= 0 && rows >= 1 && (int32_t)top + rows <= jl_config_of(panel)->height;
}

static jl_status send(struct jl_panel *panel, const uint8_t *steps, size_t bytes) {
    return bytes ? jl_panel_end_call(panel, jl_steps_run_encoded(panel, steps, bytes))
                 : jl_panel_note(panel, JL_UNSUPPORTED);
}

jl_status jl_panel_roll(struct jl_panel *panel, int16_t top, int16_t rows, int16_t first) {
    uint8_t steps[JL_STEPS_MOST_BYTES];
    jl_status status = jl_panel_ready(panel);
    if (status != JL_OK) {
        return status;
    }
    const struct jl_motion *motion = jl_config_of(panel)->motion;
    if (!motion || !motion->roll) {
        return jl_panel_note(panel, JL_NO_MOTION);
    }
    if (!on_glass(panel, top, rows) || first < 0 || first >= rows) {
        return jl_panel_note(panel, JL_OUT_OF_RANGE);
    }
    return send(panel, steps, motion->roll(panel, top, rows, first, steps));
}

jl_status jl_panel_show_rows(struct jl_panel *panel, int16_t top, int16_t rows) {
    uint8_t steps[JL_STEPS_MOST_BYTES];
    jl_status status = jl_panel_ready(panel);
    if (status != JL_OK) {
        return status;
    }
    const struct jl_motion *motion = jl_config_of(panel)->motion;
    if (!motion || !motion->show_rows) {
        return jl_panel_note(panel, JL_NO_MOTION);
    }
    if (rows != 0 && !on_glass(panel, top, rows)) {
        return jl_panel_note(panel, JL_OUT_OF_RANGE);
    }
    return send(panel, steps, motion->show_rows(panel, top, rows, steps));
}
