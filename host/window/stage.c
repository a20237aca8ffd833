/*
 * The process that is shown. Its board calls back as virtual time passes; there the pace is kept,
 * wishes are served (wishes.c), and the glass is reported.
 */
#include "stage.h"

#include <string.h>
#include <unistd.h>

#include "pace.h"

/* Of real time: reports, looks at wishes while paused, and the lag that is not made up for. */
#define REPORT_S 0.015
#define LOOK_S   0.004
#define LAG_S    0.1

/* A knob that was turned by hand: from contact to contact. */
#define QUARTER_PS ((uint64_t)2000000000)

static void keep(struct stage *stage) {
    if (stage->kept && stage->kept->bytes <= JL_PROGRAM_KEPT_BYTES) {
        memcpy(stage->link->kept, stage->kept->memory, stage->kept->bytes);
        atomic_store(&stage->link->kept_bytes, (unsigned)stage->kept->bytes);
    }
}

/* ---- the report ---- */

static void report_panel(struct stage *stage, int i, bool *changed) {
    struct jl_rig *rig = &stage->rigs[i];
    struct link_panel *panel = &stage->next.panels[i];
    struct jl_picture seen;
    panel->bytes = jl_rig_bus_bytes(rig);
    uint8_t brightness = jl_device_brightness(rig->device);
    bool light = jl_device_light_on(rig->device);
    *changed |= brightness != panel->brightness || light != panel->light;
    panel->brightness = brightness;
    panel->light = light;
    const char *why = jl_device_why_dark(rig->device);
    panel->dark = why != NULL;
    snprintf(panel->why_dark, sizeof panel->why_dark, "%s", why ? why : "");
    if (jl_device_seen(rig->device, &seen)) {
        size_t bytes = 3 * (size_t)seen.width * (size_t)seen.height;
        uint8_t *pixels = jl_host_link_pixels(stage->link, i);
        if (memcmp(pixels, seen.rgb, bytes) != 0) {
            memcpy(pixels, seen.rgb, bytes);
            *changed = true;
        }
        jl_picture_free(&seen);
    }
}

static void report_lines(struct stage *stage) {
    const struct jl_diagnostic *list;
    size_t count = jl_board_diagnostics(stage->rigs[0].board, &list);
    for (; stage->told < count; stage->told++) {
        const struct jl_diagnostic *found = &list[stage->told];
        char text[LINK_LINE_BYTES];
        snprintf(text, sizeof text, "%s: %s", found->device, found->text);
        jl_host_stage_line(stage, found->severity, text);
    }
}

static void report(struct stage *stage, uint64_t now_ps) {
    struct link *link = stage->link;
    unsigned turn = atomic_load(&link->turn);
    bool changed = false;
    stage->next.now_ps = now_ps;
    stage->next.records = stage->recording;
    atomic_store(&link->turn, turn | 1);
    atomic_thread_fence(memory_order_seq_cst);
    for (int i = 0; i < stage->count; i++) {
        report_panel(stage, i, &changed);
    }
    stage->next.changes += changed;
    link->report = stage->next;
    atomic_store(&link->turn, (turn | 1) + 1);
    report_lines(stage);
}

/* ---- the pace ---- */

static void start_pace(struct stage *stage, uint64_t now_ps) {
    stage->begun_ps = now_ps;
    stage->begun_real_s = jl_host_real_s();
    stage->speed_permille = atomic_load(&stage->link->speed_permille);
}

static void report_when_due(struct stage *stage, uint64_t now_ps) {
    double real_s = jl_host_real_s();
    if (real_s >= stage->next_report_s) {
        report(stage, now_ps);
        stage->next_report_s = jl_host_real_s() + REPORT_S;
    }
}

/* Time that stands still, until it is let go or a step is granted. */
static void wait_while_paused(struct stage *stage, uint64_t now_ps) {
    struct link *link = stage->link;
    report(stage, now_ps);
    while (atomic_load(&link->paused) && atomic_load(&link->granted_ps) <= stage->passed_ps) {
        jl_host_real_wait(LOOK_S);
        atomic_store(&link->alive_ps, now_ps);
        jl_host_wishes_serve(stage);
        report_when_due(stage, now_ps);
    }
    start_pace(stage, now_ps);
}

/* How far time may go before this is called again. */
static uint64_t quantum_ps(const struct stage *stage, bool turning) {
    uint64_t quantum = stage->speed_permille * (uint64_t)8000000; /* 8 ms of real time */
    return turning && quantum > QUARTER_PS ? QUARTER_PS : quantum;
}

static uint64_t pass(void *context, uint64_t now_ps) {
    struct stage *stage = context;
    struct link *link = stage->link;
    atomic_store(&link->alive_ps, now_ps);
    bool turning = jl_host_wishes_hands(stage, now_ps);
    jl_host_wishes_serve(stage);
    keep(stage);
    if (atomic_load(&link->paused)) {
        wait_while_paused(stage, now_ps);
        jl_host_wishes_hands(stage, now_ps);
        uint64_t granted = atomic_load(&link->granted_ps) - stage->passed_ps;
        if (atomic_load(&link->paused)) {
            uint64_t step =
                granted < quantum_ps(stage, turning) ? granted : quantum_ps(stage, turning);
            stage->passed_ps += step;
            return now_ps + step;
        }
    }
    stage->passed_ps = atomic_load(&link->granted_ps);
    if (stage->speed_permille != atomic_load(&link->speed_permille)) {
        start_pace(stage, now_ps);
    }
    double due_s =
        stage->begun_real_s + (double)(now_ps - stage->begun_ps) / 1e9 / stage->speed_permille;
    report_when_due(stage, now_ps);
    while (due_s > jl_host_real_s()) { /* slow speeds: wishes do not wait for it */
        double left_s = due_s - jl_host_real_s();
        jl_host_real_wait(left_s < LOOK_S ? left_s : LOOK_S);
        if (atomic_load(&link->quits) || atomic_load(&link->paused) ||
            stage->speed_permille != atomic_load(&link->speed_permille)) {
            break;
        }
    }
    if (jl_host_real_s() > due_s + LAG_S) {
        start_pace(stage, now_ps);
    }
    return now_ps + quantum_ps(stage, turning);
}

/* ---- the life of the process ---- */

static void end(struct stage *stage, enum link_state state, jl_status status) {
    stage->next.status = status;
    stage->next.state = state;
    stage->next_report_s = 0;
}

static bool open_rigs(struct stage *stage, struct jl_complaint *complaint) {
    const struct jl_window_request *request = stage->request;
    for (int i = 0; i < request->card_count; i++) {
        if (!jl_rig_open_beside(&stage->rigs[i], &request->cards[i], i ? &stage->rigs[0] : NULL,
                                complaint)) {
            return false;
        }
        stage->count++;
    }
    if (request->beside) {
        jl_twin_begin(&stage->twin, &stage->rigs[0].port, request->beside);
    }
    return true;
}

_Noreturn void jl_host_stage_run(struct link *link, const struct jl_window_request *request,
                                 long parent) {
    static struct stage stage; /* large; of this process alone */
    struct jl_complaint complaint = {""};
    stage.link = link;
    stage.request = request;
    stage.parent = parent;
    jl_host_wishes_begin(&stage);
    if (!open_rigs(&stage, &complaint)) {
        jl_host_stage_note(&stage, "%s", complaint.text);
        end(&stage, LINK_FAILED, JL_BAD_ARGUMENT);
        link->report = stage.next;
        _exit(2);
    }
    struct jl_board *board = stage.rigs[0].board;
    stage.rigs[0].hand.knob_quarters = atomic_load(&link->quarters); /* where it stands now */
    start_pace(&stage, 0);
    jl_board_on_time(board, pass, &stage);
    jl_status status = jl_host_act(&stage, &complaint);
    if (*complaint.text) {
        jl_host_stage_note(&stage, "%s", complaint.text);
    }
    end(&stage, *complaint.text ? LINK_FAILED : LINK_RETURNED, status);
    for (;;) { /* the panel goes on by itself: cursors blink, paper settles, scrolls move */
        jl_board_wait_ps(board, 1000000000);
    }
}
