/*
 * A tap: a port that hands everything on to another one, and copies it to a sink of bytes, such as
 * a UART: `jadelamp watch` shows what the glass must show now, beside the real one. The protocol
 * stands in docs/tap.md; it can be written without this, too.
 */
#ifndef JADELAMP_TAP_H
#define JADELAMP_TAP_H

#include "jadelamp/port.h"

#ifdef __cplusplus
extern "C" {
#endif

/** Takes bytes of the tap; returns when they are taken. What is lost on the way is noticed. */
typedef void (*jl_tap_sink)(void *context, const uint8_t *bytes, size_t count);

/** Keep it as long as the port is used. The members are for the library. */
struct jl_tap {
    const struct jl_port *port;
    jl_tap_sink sink;
    void *context;
    struct jl_port_ops ops;
    uint32_t waited_us; /* the time of ports without a clock */
    uint8_t number;
    bool data;
};

/**
 * Fills in a port to open panels with, instead of `port`. Transfers block: nothing is started by
 * DMA. Reads are told with what came.
 *
 * @param tapped receives the port; the caller's
 * @param port what everything is handed on to; the caller's, as long as the tap is used
 * @param sink called during each call of the port, several times
 */
void jl_tap_begin(struct jl_tap *tap, struct jl_port *tapped, const struct jl_port *port,
                  jl_tap_sink sink, void *context);

#ifdef __cplusplus
}
#endif

#endif
