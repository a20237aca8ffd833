/* Inside an asynchronous sending. */
#ifndef JADELAMP_SRC_ASYNC_H
#define JADELAMP_SRC_ASYNC_H

#include "area.h"
#include "jadelamp/async.h"

/* Waits for what is under way; then whether the panel takes pixels. */
jl_status jl_async_ready(struct jl_async *async);

/*
 * Begins to send the async's source into its flow, and then its areas. JL_OK: it is under way, or
 * out already.
 */
jl_status jl_async_go(struct jl_async *async);

#endif
