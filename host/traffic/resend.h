/* The pictures of a capture, sent once more by the driver of the card. */
#ifndef JADELAMP_HOST_RESEND_H
#define JADELAMP_HOST_RESEND_H

#include "jadelamp/host/traffic.h"

struct resending;

/* Watches the traffic: each completed picture that is another one than the last is sent to boards
 * of its own, in two ways. NULL: no memory. */
struct resending *jl_host_resend_begin(struct jl_traffic *traffic, uint64_t pause_ps);

/* What came of it. */
struct resent {
    bool at_all; /* not of cells, nor of e-paper */
    uint64_t pictures;
    bool others;       /* a board showed another picture than the capture */
    uint64_t changes;  /* bytes on the bus when only what changed is sent, */
    uint64_t in_whole; /* and when each picture is sent whole; the wake-up included */
    bool failed;       /* no memory: some are missing */
};
struct resent jl_host_resent(const struct resending *resending);

/* NULL is fine. */
void jl_host_resend_end(struct resending *resending);

#endif
