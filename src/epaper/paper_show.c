/*
 * Showing a picture: new pixels to the RAM, an update, and the old plane made equal to what the
 * glass shows then. A machine that never waits, so that blocking presents, asynchronous ones and
 * bands go the same way.
 */
#include "../core/lone.h"
#include "../panel/steps.h"
#include "paper.h"

jl_status jl_paper_look(const struct jl_panel *panel, struct jl_showing *showing,
                        const uint8_t *step) {
    const struct jl_port *port = panel->port;
    bool level = step[1] != jl_epaper_config_of(panel)->busy_inverted;
    uint32_t limit_ms = step[2] | (uint32_t)step[3] << 8;
    if (!port->ops->get_pin) {
        return JL_UNSUPPORTED;
    }
    if (port->ops->get_pin(port->context, JL_PIN_BUSY) == level) {
        showing->waiting = false;
        return JL_OK;
    }
    bool begins = !showing->waiting;
    showing->waiting = true;
    if (port->ops->now_us) {
        uint32_t now = port->ops->now_us(port->context);
        if (begins) {
            showing->since = now;
        }
        return now - showing->since > limit_ms * 1000 ? JL_TIMEOUT : JL_BUSY;
    }
    /* Without a clock looks are counted, a millisecond or more each. */
    port->ops->wait_us(port->context, 1000);
    showing->since = begins ? 0 : showing->since + 1;
    return showing->since > limit_ms ? JL_TIMEOUT : JL_BUSY;
}

static jl_status run_update(struct jl_panel *panel, struct jl_showing *showing) {
    uint8_t steps[JL_STEPS_MOST_BYTES];
    size_t bytes = jl_config_of(panel)->controller->paper->update(panel, panel->update, steps);
    jl_status status = bytes ? JL_OK : JL_UNSUPPORTED;
    while (status == JL_OK && showing->step_at < bytes) {
        const uint8_t *step = steps + showing->step_at;
        size_t length = jl_step_length(step);
        status = step[0] == JL_STEP_CODE_WAIT_BUSY ? jl_paper_look(panel, showing, step)
                                                   : jl_steps_run_encoded(panel, step, length);
        if (status == JL_OK) {
            showing->step_at = (uint8_t)(showing->step_at + length);
        }
    }
    return status;
}

/* Pixels go to a plane next; or nothing is left to send. */
static void send_to(struct jl_panel *panel, struct jl_showing *showing, uint8_t plane,
                    uint8_t pass) {
    panel->plane = plane;
    showing->pass = pass;
    showing->send = showing->areas > 0;
}

static jl_status begin(struct jl_panel *panel, struct jl_showing *showing,
                       const struct jl_frame *frame) {
    jl_status status = JL_OK;
    panel->update = JL_UPDATE_FULL;
    if (panel->epaper) {
        status = panel->epaper->choose(panel, showing, frame);
    }
    if (status == JL_OK && panel->update != JL_UPDATE_AUTO && !jl_paper_has(panel, panel->update)) {
        status = JL_UNSUPPORTED;
    }
    showing->refused = status != JL_OK;
    send_to(panel, showing, PLANE_NEW, panel->update == JL_UPDATE_AUTO ? PASS_DONE : PASS_NEW);
    return status;
}

static jl_status next(struct jl_panel *panel, struct jl_showing *showing) {
    bool partial = panel->update == JL_UPDATE_PARTIAL;
    /* Without a policy nobody ever asks for the old plane. */
    bool copies = panel->epaper && jl_format_of(panel)->planes == 1 && showing->areas;
    if (showing->pass == PASS_NEW && copies && !partial) {
        send_to(panel, showing, PLANE_OLD, PASS_OLD_BEFORE);
        return JL_OK;
    }
    if (showing->pass != PASS_OLD_BEHIND) {
        showing->pass = PASS_UPDATE;
        showing->send = false;
        jl_status status = run_update(panel, showing);
        if (status != JL_OK) {
            return status;
        }
        if (copies && partial) {
            send_to(panel, showing, PLANE_OLD, PASS_OLD_BEHIND);
            return JL_OK;
        }
    }
    showing->complete = true;
    showing->pass = PASS_DONE;
    return panel->epaper && panel->epaper->shown ? panel->epaper->shown(panel) : JL_OK;
}

jl_status jl_paper_show(struct jl_panel *panel, struct jl_showing *showing,
                        const struct jl_frame *frame) {
    jl_status status = JL_OK;
    bool begins = showing->pass == PASS_BEGIN;
    if (begins) {
        status = begin(panel, showing, frame);
    }
    if (status == JL_OK && showing->pass != PASS_DONE && !(begins && showing->send)) {
        status = next(panel, showing);
    }
    if (showing->pass == PASS_DONE || (status != JL_OK && status != JL_BUSY)) {
        panel->plane = PLANE_NEW;
        panel->update = JL_UPDATE_AUTO;
        showing->pass = PASS_DONE;
        showing->send = false;
    }
    return status;
}

bool jl_paper_wait(struct jl_panel *panel, struct jl_showing *showing, const struct jl_frame *frame,
                   jl_status *status) {
    const struct jl_port *port = panel->port;
    while ((*status = jl_paper_show(panel, showing, frame)) == JL_BUSY) {
        port->ops->wait_us(port->context, 1000);
    }
    return *status == JL_OK && showing->send;
}
