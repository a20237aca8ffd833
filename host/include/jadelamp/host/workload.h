/*
 * Workloads that a panel's budget can be told of without firmware: usual pictures and changes, sent
 * by this library, recorded as a capture.
 */
#ifndef JADELAMP_HOST_WORKLOAD_H
#define JADELAMP_HOST_WORKLOAD_H

#include "jadelamp/host/traffic.h"

#ifdef __cplusplus
extern "C" {
#endif

struct jl_workload {
    const char *name, *does;
};

/** All of them; the last one has a NULL name. */
extern const struct jl_workload jl_workloads[];

/**
 * Runs one on the board of a card, which is woken before, and records all wires to a file. Pictures
 * are 20 ms apart. False: there is none of that name, the card cannot show it, or the file cannot
 * be written.
 */
bool jl_workload_record(const struct jl_card *card, const char *name, const char *path,
                        struct jl_complaint *complaint);

/** The same as traffic to read. NULL: as above. The recording is a temporary file (TMPDIR, else
 * /tmp), which is gone when this returns. */
struct jl_traffic *jl_workload_traffic(const struct jl_card *card, const char *name,
                                       struct jl_complaint *complaint);

#ifdef __cplusplus
}
#endif

#endif
