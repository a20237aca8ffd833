/* Captures, as the verbs that read them open them. */
#include "capture_options.h"

#include <stdlib.h>

struct jl_traffic *cli_open_capture(const char *verb, const char *path,
                                    const struct cli_capture *typed) {
    static struct jl_card card;
    struct jl_complaint complaint = {""};
    if (!typed->card) {
        cli_bad(verb, "name the panel behind the wires: --card CARD, a file or one that jadelamp "
                      "catalog lists");
        return NULL;
    }
    const struct jl_traffic_options options = {
        .capture = {.threshold = typed->threshold, .time_unit = typed->time_unit},
        .wires = (const char *const *)typed->wires,
        .awake = typed->awake != 0,
        .pulse_ps = typed->pulse_ns > 0 ? (uint64_t)(typed->pulse_ns * 1000) : 0,
    };
    struct jl_traffic *traffic = NULL;
    if (jl_card_find(typed->card, &card, &complaint)) {
        traffic = jl_traffic_open(path, &card, &options, &complaint);
    }
    if (!traffic) {
        cli_bad(verb, "%s", complaint.text);
    }
    return traffic;
}

void cli_capture_free(struct cli_capture *typed) {
    free(typed->card);
    free(typed->time_unit);
    cli_free_texts(typed->wires);
}
