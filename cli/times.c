/* Times at which the glass is looked at. */
#include "times.h"

#include <stdlib.h>

#include "cli.h"

bool cli_take_times(const char *verb, char **texts, struct jl_replay_request *request) {
    for (; texts && *texts; texts++) {
        char *end;
        double ms = strtod(*texts, &end);
        uint64_t ps = ms >= 0 && ms < 1e10 ? (uint64_t)(ms * 1e9) : 0;
        if (end == *texts || *end || !(ms >= 0) || ms >= 1e10) {
            cli_bad(verb, "--at %s: expected milliseconds of the capture", *texts);
            return false;
        }
        if (request->time_count == JL_REPLAY_TIMES) {
            cli_bad(verb, "--at: %d times at most", JL_REPLAY_TIMES);
            return false;
        }
        size_t at = request->time_count++;
        for (; at > 0 && request->times[at - 1] > ps; at--) {
            request->times[at] = request->times[at - 1];
        }
        request->times[at] = ps;
    }
    return true;
}
