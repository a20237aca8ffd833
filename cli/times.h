/* Times of a capture that are typed, in milliseconds: --at, --from, --to, --pause. */
#ifndef JADELAMP_CLI_TIMES_H
#define JADELAMP_CLI_TIMES_H

#include "jadelamp/host/replay.h"

/* Puts what was typed, milliseconds, into a request, in rising order. False: reported. */
bool cli_take_times(const char *verb, char **texts, struct jl_replay_request *request);

/* Of --from and --to; NAN was not typed, and changes nothing. False: reported. */
bool cli_take_span(const char *verb, double from_ms, double to_ms, uint64_t *from_ps,
                   uint64_t *to_ps);

/* The same of --pause. */
bool cli_take_pause(const char *verb, double pause_ms, uint64_t *pause_ps);

#endif
