/* Pixels of the caller's own to an area of the picture. */
#include "area.h"
#include "panel.h"

jl_status jl_panel_send(struct jl_panel *panel, struct jl_rect area, const void *pixels,
                        uint16_t stride_bytes) {
    jl_status status = jl_panel_ready(panel);
    if (status != JL_OK) {
        return status;
    }
    status = jl_piece_check(panel, area, pixels);
    if (status != JL_OK) {
        return jl_panel_note(panel, status);
    }
    const struct jl_frame piece = jl_frame_of_pixels(panel, area, pixels, stride_bytes);
    panel->shown = NULL; /* the RAM no longer holds the last frame */
    return jl_panel_end_call(panel, jl_area_send(panel, &area, &piece));
}
