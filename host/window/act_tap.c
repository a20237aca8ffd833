/* Bytes of a tap as they come, to the panel of the first card. While none comes, time goes on. */
#include "act_tap.h"

#include "jadelamp/host/traffic.h"

enum { LOOK_MS = 2, TICK_MS = 16 };

/* The pace makes it real time. */
static bool idle(void *context) {
    struct stage *stage = context;
    jl_board_wait_ps(stage->rigs[0].board, TICK_MS * (uint64_t)1000000000);
    return true;
}

jl_status jl_host_act_tap(struct stage *stage, struct jl_complaint *complaint) {
    const struct jl_capture_live live = {
        .file = stage->request->tap, .idle_ms = LOOK_MS, .idle = idle, .context = stage};
    const struct jl_traffic_options options = {.capture = {.live = &live}, .rig = &stage->rigs[0]};
    struct jl_traffic *traffic =
        jl_traffic_open("the tap", &stage->rigs[0].card, &options, complaint);
    enum jl_traffic_step step = traffic ? JL_TRAFFIC_EVENT : JL_TRAFFIC_BAD;
    while (step == JL_TRAFFIC_EVENT) {
        struct jl_bus_event event;
        bool foreign;
        step = jl_traffic_next(traffic, &event, &foreign, complaint);
        if (step == JL_TRAFFIC_EVENT && event.kind == JL_BUS_DOUBT) {
            jl_host_stage_line(stage, JL_SEVERITY_WARNING, event.text);
        }
    }
    jl_traffic_close(traffic);
    return step == JL_TRAFFIC_END ? JL_OK : JL_BUS_ERROR;
}
