/* Inside an asynchronous present. */
#ifndef JADELAMP_SRC_ASYNC_H
#define JADELAMP_SRC_ASYNC_H

#include "jadelamp/async.h"
#include "run.h"

/* Waits for what is under way; then whether the panel takes pixels. */
jl_status jl_async_ready(struct jl_async *async);

/* Begins to send a run into the open window; the panel is ready. */
jl_status jl_async_run(struct jl_async *async, const struct jl_run *run);

#endif
