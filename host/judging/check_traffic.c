/* A capture's traffic, judged. */
#include <stdlib.h>

#include "judge.h"

static void take_line(void *context, const struct jl_reading_line *line) {
    struct judge *judge = context;
    judge->check->until_ps = line->until_ps;
    switch (line->kind) {
    case JL_LINE_COMMAND:
    case JL_LINE_DATA:
        jl_host_judge_sent(judge, line->explained);
        break;
    case JL_LINE_WAIT:
        jl_host_judge_waited(judge, line->until_ps - line->at_ps);
        break;
    case JL_LINE_DIAGNOSTIC:
        jl_host_judge_diagnostic(judge, line->diagnostic, line->at_ps);
        break;
    default:
        break;
    }
}

bool jl_check_traffic(struct jl_traffic *traffic, struct jl_check_result *check,
                      struct jl_complaint *complaint) {
    struct judge *judge = malloc(sizeof *judge);
    struct jl_rig *rig = jl_traffic_rig(traffic);
    if (!judge) {
        return jl_complain(complaint, "out of memory for a check");
    }
    jl_host_judge_begin(judge, check, &rig->card);
    bool good = jl_reading_run(traffic, take_line, judge, complaint);
    if (good) {
        jl_host_judge_whole(judge, rig->device);
        jl_host_judge_sort(judge);
    }
    free(judge);
    return good;
}
