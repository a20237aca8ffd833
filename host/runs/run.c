/* A program of the user's own on the board of a card. */
#include "jadelamp/host/run.h"

#include <stdlib.h>
#include <string.h>

#include "run_meter.h"

enum { USUAL_MOST_MS = 10000, USUAL_PATIENCE_MS = 5000 };

struct session {
    struct jl_run_result *result;
    struct jl_host_meter meter;
    jl_program program;
};

static void run(void *context) {
    struct session *session = context;
    struct jl_run_result *result = session->result;
    struct jl_rig *rig = &result->rig;
    result->end = jl_host_meter_run(&session->meter, session->program, &result->status);
    result->cost = (struct jl_wire_cost){session->meter.wire_us, jl_rig_bus_bytes(rig)};
    if (rig->sim.rgb) { /* its memory and its interrupts are gone */
        result->scans = jl_rgb_picture_count(rig->sim.rgb);
        jl_rgb_hold(rig->sim.rgb);
    }
}

static bool has_hands(const struct jl_rig *rig) {
    return rig->touch_device || jl_card_has_keys(&rig->card) || jl_card_has_knob(&rig->card);
}

static void follow(struct jl_rig *rig, const struct jl_hand_step *steps, size_t count) {
    if (rig->touch_device) {
        jl_touch_follow(rig->touch_device, steps, count);
    }
    rig->hand.steps = steps;
    rig->hand.step_count = count;
}

bool jl_run(const struct jl_card *card, jl_program program, const struct jl_run_request *request,
            struct jl_run_result *result, struct jl_complaint *complaint) {
    struct session session = {.result = result, .program = program};
    memset(result, 0, sizeof *result);
    if (!jl_rig_open(&result->rig, card, complaint)) {
        return false;
    }
    struct jl_rig *rig = &result->rig;
    struct jl_hand_script *hands = NULL;
    if (request->hands) {
        hands = malloc(sizeof *hands);
        if (!hands || !has_hands(rig)) {
            free(hands);
            return jl_complain(complaint,
                               has_hands(rig) ? "out of memory for the script of hands"
                                              : "the card %s has no [touch], and no key_ok or "
                                                "knob_a in [pins], for the hands",
                               card->name);
        }
        *hands = *request->hands;
        jl_hand_script_turn(hands, card->turn, card->width, card->height);
        follow(rig, hands->steps, hands->step_count);
    }
    session.meter = (struct jl_host_meter){
        .rig = rig,
        .most_us = 1000.0 * (request->most_ms ? request->most_ms : USUAL_MOST_MS),
        .patience_ms = request->patience_ms ? request->patience_ms : USUAL_PATIENCE_MS};
    const struct jl_sight_request look = {.directory =
                                              request->directory ? request->directory : ".",
                                          .base = request->name ? request->name : card->name,
                                          .scale = request->scale,
                                          .no_wires = request->no_wires};
    bool good = jl_sight_of(rig, &look, run, &session, &result->sight, complaint);
    if (hands) {
        follow(rig, NULL, 0); /* the rig outlives the script */
        free(hands);
    }
    const struct jl_host_meter *meter = &session.meter;
    result->bus_status = meter->first_error;
    result->bus_error_us = meter->first_error_us;
    result->other_bus = meter->other_bus;
    result->transfers = meter->transfers;
    result->waited_us = meter->waited_us;
    result->whole_us = meter->whole_us;
    return good;
}

void jl_run_close(struct jl_run_result *result) {
    jl_sight_free(&result->sight);
    jl_rig_close(&result->rig);
}

bool jl_run_has_findings(const struct jl_run_result *result) {
    return result->status != JL_OK || result->bus_status != JL_OK || result->end == JL_RUN_STUCK ||
           jl_sight_has_findings(&result->rig, &result->sight);
}
