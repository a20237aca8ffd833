/* Deep sleep between two updates. Apart, so that only programs that want it carry it. */
#include "../core/lone.h"
#include "../panel/steps.h"
#include "paper.h"

/* What every call on the panel does first while it sleeps: it waits, as for a transfer. */
static jl_status end_sleep(struct jl_sending *sleeping) {
    struct jl_panel *panel = ((struct jl_epaper *)sleeping)->panel;
    uint8_t first = panel->status; /* a sleep that nobody asked for forgets no error */
    panel->state = STATE_ASLEEP;
    jl_status status = jl_panel_resume(panel);
    if (first != JL_OK) {
        panel->status = first;
    }
    return status;
}

static jl_status begin_sleep(struct jl_panel *panel) {
    uint8_t steps[JL_STEPS_MOST_BYTES];
    size_t bytes = jl_config_of(panel)->controller->setting(panel, JL_SETTING_POWER, 0, steps);
    panel->sending = &panel->epaper->sleeping;
    panel->state = STATE_SENDING;
    return jl_steps_run_encoded(panel, steps, bytes);
}

jl_status jl_epaper_sleep_between(struct jl_panel *panel, bool sleeps) {
    if (!panel) {
        return JL_BAD_ARGUMENT;
    }
    if (panel->state == STATE_UNUSABLE) {
        return JL_NOT_AWAKE;
    }
    if (!panel->epaper || !(jl_config_of(panel)->module & JL_MODULE_RESET_WIRED)) {
        return JL_UNSUPPORTED;
    }
    panel->epaper->sleeping.finish = end_sleep;
    panel->epaper->panel = panel;
    panel->epaper->shown = sleeps ? begin_sleep : NULL;
    return JL_OK;
}
