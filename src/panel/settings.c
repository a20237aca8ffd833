/* Settings that need no picture data: contrast, inversion, turn, lamp test, idle mode. */
#include "panel.h"

#include "../core/lone.h"

jl_status jl_panel_contrast(struct jl_panel *panel, uint8_t contrast) {
    jl_status status = jl_panel_ready(panel);
    if (status == JL_OK) {
        status = jl_panel_apply(panel, JL_SETTING_CONTRAST, contrast);
    }
    if (status == JL_OK) {
        panel->contrast = contrast;
    }
    return status;
}

jl_status jl_panel_invert(struct jl_panel *panel, bool inverted) {
    jl_status status = jl_panel_ready(panel);
    if (status == JL_OK) {
        status = jl_panel_apply(panel, JL_SETTING_INVERT, inverted);
    }
    if (status == JL_OK) {
        panel->inverted = inverted;
    }
    return status;
}

jl_status jl_panel_turn(struct jl_panel *panel, uint8_t turn) {
    jl_status status = jl_panel_ready(panel);
    if (status == JL_OK && !jl_turn_possible(jl_config_of(panel)->controller, turn)) {
        status = jl_panel_note(panel, JL_BAD_TURN);
    }
    if (status != JL_OK || turn == panel->turn) {
        return status;
    }
    status = jl_panel_apply(panel, JL_SETTING_TURN, turn);
    if (status == JL_OK) {
        jl_panel_take_turn(panel, turn);
        panel->shown = NULL;
    }
    return status;
}

jl_status jl_panel_idle(struct jl_panel *panel, bool idle) {
    jl_status status = jl_panel_ready(panel);
    return status == JL_OK ? jl_panel_apply(panel, JL_SETTING_IDLE, idle) : status;
}

jl_status jl_panel_all_on(struct jl_panel *panel, bool all_on) {
    jl_status status = jl_panel_ready(panel);
    return status == JL_OK ? jl_panel_apply(panel, JL_SETTING_ALL_ON, all_on) : status;
}
