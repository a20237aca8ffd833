/* A picture on e-paper, from the frame to the end of the update. */
#include "../panel/area.h"
#include "../panel/present.h"
#include "../panel/show.h"

jl_status jl_paper_present(struct jl_panel *panel, struct jl_frame *frame) {
    const struct jl_rect *areas;
    uint8_t count = jl_present_areas(panel, frame, &areas);
    struct jl_showing showing = {.areas = count};
    jl_status status = JL_OK;
    while (status == JL_OK && jl_show_next(panel, &showing, frame, &status)) {
        for (uint8_t i = 0; i < count && status == JL_OK; i++) {
            status = jl_area_send(panel, &areas[i], frame);
        }
    }
    if (showing.refused) {
        return jl_panel_note(panel, status);
    }
    if (status == JL_OK) {
        jl_present_done(panel, frame);
    }
    return jl_panel_end_call(panel, status);
}
