/*
 * What a capture spends: bytes and time on the wire, and where they go.
 */
#ifndef JADELAMP_HOST_BUDGET_H
#define JADELAMP_HOST_BUDGET_H

#include "jadelamp/host/traffic.h"

#ifdef __cplusplus
extern "C" {
#endif

/** Of the traffic to the panel; times in ps. */
struct jl_budget {
    uint64_t first_ps, last_ps; /**< of the first byte and behind the last one */
    uint64_t bytes;             /**< all that moved, of which: */
    uint64_t opcode_bytes, argument_bytes, data_bytes;
    uint64_t framing_bytes;  /**< addresses, control and sync bytes, outputs of an expander */
    uint64_t commands, runs; /**< runs: data from one command to the next */
    uint64_t transfers;      /**< CS or START */
    uint64_t dc_changes;
    uint64_t bits_ps;                       /**< while bits moved */
    uint64_t gaps_ps, gaps, longest_gap_ps; /**< between bytes, of less than 1 ms */
    uint64_t waits_ps, waits;               /**< of 1 ms and more */
    uint64_t pixels, one_pixel_runs;
    uint64_t repeated_windows; /**< commands of two arguments and more that set what was set */
    uint64_t picture_bytes;    /**< of a whole picture in this depth; 0: not known */
    /** Whole pictures a second: as it was sent; with its bits alone; at the controller's limit. 0:
     * not known. */
    double as_sent, bits_alone, at_limit;
};

/** Plays a capture to its end and counts. False: it is broken, and the complaint says where. */
bool jl_budget_run(struct jl_traffic *traffic, struct jl_budget *budget,
                   struct jl_complaint *complaint);

#ifdef __cplusplus
}
#endif

#endif
