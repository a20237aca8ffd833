/* Out of deep sleep: a reset and the wake-up sequence, with the RAM as it was where that is kept.
 */
#include "paper.h"

#include "../core/lone.h"

jl_status jl_paper_resume(struct jl_panel *panel) {
    const struct jl_frame *shown = panel->shown;
    bool kept = jl_config_of(panel)->controller->paper->keeps_ram;
    panel->plane = kept ? PLANE_NONE : PLANE_NEW;
    jl_status status = jl_panel_wake(panel);
    panel->plane = PLANE_NEW;
    if (status == JL_OK && kept) {
        panel->shown = shown;
    }
    return status;
}
