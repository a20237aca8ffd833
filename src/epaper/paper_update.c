/* An update of what the RAM holds, whoever wrote it. */
#include "../core/lone.h"
#include "../panel/show.h"
#include "paper.h"

jl_status jl_epaper_update(struct jl_panel *panel, enum jl_update update) {
    jl_status status = jl_panel_ready(panel);
    if (status != JL_OK) {
        return status;
    }
    if (!jl_config_of(panel)->controller->paper) {
        return jl_panel_note(panel, JL_UNSUPPORTED);
    }
    uint8_t wanted = update == JL_UPDATE_FAST ? JL_UPDATE_FAST : JL_UPDATE_FULL;
    if (!jl_paper_has(panel, wanted)) {
        return jl_panel_note(panel, JL_UNSUPPORTED);
    }
    panel->update = wanted;
    struct jl_showing showing = {.pass = PASS_UPDATE};
    jl_show_next(panel, &showing, NULL, &status);
    return jl_panel_end_call(panel, status);
}
