/* Pixels of the caller's own to an area of the picture. */
#include "panel.h"
#include "run.h"

jl_status jl_panel_send(struct jl_panel *panel, struct jl_rect area, const void *pixels,
                        uint16_t stride_bytes) {
    struct jl_run run;
    jl_status status = jl_panel_ready(panel);
    if (status == JL_OK) {
        status = jl_piece_check(panel, area, pixels, stride_bytes, &run);
    }
    if (status != JL_OK) {
        return status;
    }
    panel->shown = NULL; /* the RAM no longer holds the last frame */
    return jl_panel_settle(panel, panel->config->controller->write(panel, &run));
}
