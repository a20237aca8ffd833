/*
 * A picture of the wire over time: selections, commands, data, gaps, waits, and what the
 * controller found wrong.
 */
#ifndef JADELAMP_HOST_TIMELINE_H
#define JADELAMP_HOST_TIMELINE_H

#include "jadelamp/host/traffic.h"

#ifdef __cplusplus
extern "C" {
#endif

struct jl_timeline_request {
    const char *path;        /**< ends with .png or .svg */
    uint64_t from_ps, to_ps; /**< times of the capture */
    int width;               /**< pixels, 400..8000; 0: 1280 */
};

/**
 * Plays a capture to its end, and draws it from one time to another.
 *
 * @return false after complaining: another ending, a range without time, a broken capture, a file
 *         that cannot be written. Then there is no new file
 */
bool jl_timeline_write(struct jl_traffic *traffic, const struct jl_timeline_request *request,
                       struct jl_complaint *complaint);

#ifdef __cplusplus
}
#endif

#endif
