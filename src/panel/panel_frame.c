/* A frame that fits a panel. */
#include "panel.h"

#include "../core/lone.h"

jl_status jl_panel_frame(struct jl_panel *panel, struct jl_frame *frame, void *pixels,
                         size_t pixel_bytes) {
    if (!panel) {
        return jl_frame_init(frame, NULL, 0, 0, NULL, 0);
    }
    /* A panel that was refused has no size yet, which makes an empty frame. */
    return jl_panel_note(panel, jl_frame_init(frame, jl_format_of(panel), panel->width,
                                              panel->height, pixels, pixel_bytes));
}
