/* Which update the next picture gets. */
#include "../core/lone.h"
#include "../panel/present.h"
#include "paper.h"

enum { USUAL_PARTIALS = 10 };

/* Whether the glass would show the picture by moving only what changed. */
static bool partial_possible(const struct jl_panel *panel, const struct jl_frame *frame) {
    const struct jl_format *format = jl_format_of(panel);
    /* The old plane is right: of a frame that is in step, and of bands when it is right at all. */
    bool known = frame ? jl_present_in_step(panel, frame) : panel->shown != NULL;
    if (!known || !jl_paper_has(panel, JL_UPDATE_PARTIAL)) {
        return false;
    }
    /* Red needs minutes of its own; what is not red may change beside it, by a wave for that. */
    return format->planes == 1 ||
           (format->layout == JL_LAYOUT_BLACK_WHITE_RED && frame && !frame->damage->second_plane &&
            jl_paper_wave(panel, JL_UPDATE_PARTIAL));
}

static bool is_much(const struct jl_panel *panel, const struct jl_frame *frame) {
    uint8_t most = jl_epaper_config_of(panel)->most_percent;
    uint32_t changed = 0;
    if (!frame || !most) {
        return false;
    }
    for (uint8_t i = 0; i < frame->damage->count; i++) {
        changed += (uint32_t)frame->damage->rects[i].w * (uint32_t)frame->damage->rects[i].h;
    }
    return changed * 100 > (uint32_t)panel->width * (uint32_t)panel->height * most;
}

static bool too_soon(const struct jl_panel *panel) {
    const struct jl_epaper *epaper = panel->epaper;
    const struct jl_port *port = panel->port;
    return epaper->was_full && port->ops->now_us &&
           (port->ops->now_us(port->context) - epaper->full_at_us) / 1000000 <
               jl_epaper_config_of(panel)->least_interval_s;
}

static jl_status choose(struct jl_panel *panel, const struct jl_showing *showing,
                        const struct jl_frame *frame) {
    struct jl_epaper *epaper = panel->epaper;
    uint8_t most = jl_epaper_config_of(panel)->most_partials;
    uint8_t update = epaper->request;
    bool asked = update != JL_UPDATE_AUTO;
    if (!asked && !showing->areas) {
        panel->update = JL_UPDATE_AUTO; /* nothing changed, nothing is to be shown */
        return JL_OK;
    }
    bool possible = partial_possible(panel, frame);
    if (!asked) {
        bool enough = epaper->partials >= (most ? most : USUAL_PARTIALS);
        bool full = !possible || enough || is_much(panel, frame);
        if (full && too_soon(panel)) {
            if (!possible) {
                return JL_TOO_SOON;
            }
            full = false;
        }
        update = full ? JL_UPDATE_FULL : JL_UPDATE_PARTIAL;
    }
    if (!(update == JL_UPDATE_PARTIAL ? possible : jl_paper_has(panel, update))) {
        update = JL_UPDATE_FULL;
    }
    epaper->request = JL_UPDATE_AUTO;
    epaper->partials = (uint8_t)(update == JL_UPDATE_PARTIAL ? epaper->partials + 1 : 0);
    if (update != JL_UPDATE_PARTIAL) {
        epaper->was_full = true;
        if (panel->port->ops->now_us) {
            epaper->full_at_us = panel->port->ops->now_us(panel->port->context);
        }
    }
    panel->update = update;
    return JL_OK;
}

static jl_status check(const struct jl_panel *panel) {
    return !panel                                    ? JL_BAD_ARGUMENT
           : panel->state == STATE_UNUSABLE          ? JL_NOT_AWAKE
           : !jl_config_of(panel)->controller->paper ? JL_UNSUPPORTED
                                                     : JL_OK;
}

jl_status jl_epaper_begin(struct jl_epaper *epaper, struct jl_panel *panel) {
    jl_status status = check(panel);
    if (status == JL_OK) {
        panel->epaper = epaper;
        panel->shown = NULL; /* nobody kept the old plane so far */
        if (epaper) {
            *epaper = (struct jl_epaper){.choose = choose};
        }
    }
    return status;
}

jl_status jl_epaper_request(struct jl_panel *panel, enum jl_update update) {
    jl_status status = check(panel);
    if (status == JL_OK && !panel->epaper) {
        status = JL_UNSUPPORTED;
    }
    if (status == JL_OK && (unsigned)update > JL_UPDATE_PARTIAL) {
        status = JL_OUT_OF_RANGE;
    }
    if (status == JL_OK) {
        panel->epaper->request = (uint8_t)update;
    }
    return status;
}
