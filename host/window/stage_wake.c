/* Waking the panels of the process that is shown. */
#include "stage.h"

/* Where the glass of the touch part has numbers of its own, it is calibrated first. */
static jl_status wake_touch(struct jl_rig *rig) {
    static struct jl_touch_map maps[JL_WINDOW_MOST_CARDS];
    static int used;
    jl_status status = jl_touch_wake(&rig->touch);
    bool raw = rig->card.touch.controller->driver->is_spi;
    return status == JL_OK && raw ? jl_rig_calibrate(rig, &maps[used++]) : status;
}

jl_status jl_host_wake_all(struct stage *stage) {
    jl_status status = JL_OK;
    for (int i = 0; i < stage->count && status == JL_OK; i++) {
        struct jl_rig *rig = &stage->rigs[i];
        status = jl_rig_wake(rig);
        if (status == JL_OK && rig->card.module & JL_MODULE_LIGHT_WIRED) {
            status = jl_panel_light(&rig->panel, true);
        }
        if (status == JL_OK && rig->touch_device) {
            status = wake_touch(rig);
        }
    }
    return status;
}
