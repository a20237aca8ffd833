/* Settings that need no picture data: contrast, inversion, flip, lamp test. */
#include "panel.h"

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

jl_status jl_panel_flip(struct jl_panel *panel, uint8_t flip) {
    jl_status status = jl_panel_ready(panel);
    if (status == JL_OK && (flip & ~JL_FLIP_HALF_TURN)) {
        status = JL_BAD_ARGUMENT;
    }
    if (status == JL_OK) {
        status = jl_panel_apply(panel, JL_SETTING_FLIP, flip);
    }
    if (status == JL_OK) {
        panel->flip = flip;
        panel->stale = true;
    }
    return status;
}

jl_status jl_panel_all_on(struct jl_panel *panel, bool all_on) {
    jl_status status = jl_panel_ready(panel);
    if (status == JL_OK) {
        status = jl_panel_apply(panel, JL_SETTING_ALL_ON, all_on);
    }
    if (status == JL_OK) {
        panel->all_on = all_on;
    }
    return status;
}
