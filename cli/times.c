/* Times of a capture that are typed, in milliseconds. */
#include "times.h"

#include <math.h>
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

static bool take_ms(const char *verb, const char *option, double ms, uint64_t least_ps,
                    uint64_t *ps) {
    double least = (double)least_ps / 1e9;
    if (isnan(ms)) {
        return true;
    }
    if (ms < least || ms >= 1e10) {
        cli_bad(verb, "--%s %g: expected milliseconds of the capture, %g or more", option, ms,
                least);
        return false;
    }
    *ps = (uint64_t)(ms * 1e9);
    return true;
}

bool cli_take_span(const char *verb, double from_ms, double to_ms, uint64_t *from_ps,
                   uint64_t *to_ps) {
    uint64_t from = 0;
    if (!take_ms(verb, "from", from_ms, 0, &from) || !take_ms(verb, "to", to_ms, from, to_ps)) {
        return false;
    }
    *from_ps = isnan(from_ms) ? *from_ps : from;
    return true;
}

bool cli_take_pause(const char *verb, double pause_ms, uint64_t *pause_ps) {
    if (!isnan(pause_ms) && !(pause_ms > 0 && pause_ms < 1e10)) {
        return cli_bad(verb, "--pause %g: expected milliseconds, more than 0", pause_ms), false;
    }
    *pause_ps = isnan(pause_ms) ? *pause_ps : (uint64_t)(pause_ms * 1e9);
    return true;
}
