/* Bands through two pieces of memory: one is drawn while the other is on the wire. */
#include "async.h"
#include "bands.h"
#include "panel.h"

static jl_status send(struct jl_bands *bands) {
    struct jl_async *async = bands->async;
    if (bands->frame.target.bounds.h == 0) {
        return jl_async_finish(async);
    }
    jl_status status = jl_async_ready(async);
    if (status == JL_OK) {
        status = jl_bands_go_on(bands);
    }
    if (status == JL_OK) {
        async->frame = bands->frame;
        async->flow = &bands->flow;
        status = jl_async_go(async);
    }
    uint8_t *drawn = bands->frame.pixels;
    bands->frame.pixels = bands->other_memory;
    bands->other_memory = drawn;
    return status;
}

jl_status jl_bands_begin_async(struct jl_bands *bands, struct jl_async *async, void *memory_a,
                               void *memory_b, size_t memory_bytes) {
    jl_status status = jl_bands_begin(bands, async ? async->panel : NULL,
                                      memory_b ? memory_a : NULL, memory_bytes);
    if (status == JL_OK) {
        bands->async = async;
        bands->other_memory = memory_b;
        bands->send = send;
    }
    return status;
}
