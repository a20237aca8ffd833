/* Times at which the glass is looked at: --at. */
#ifndef JADELAMP_CLI_TIMES_H
#define JADELAMP_CLI_TIMES_H

#include "jadelamp/host/replay.h"

/* Puts what was typed, milliseconds, into a request, in rising order. False: reported. */
bool cli_take_times(const char *verb, char **texts, struct jl_replay_request *request);

#endif
