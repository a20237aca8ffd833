/*
 * A capture, played to the emulated panel: its glass at the end, at times, and whenever it changed.
 */
#ifndef JADELAMP_HOST_REPLAY_H
#define JADELAMP_HOST_REPLAY_H

#include "jadelamp/host/traffic.h"

#ifdef __cplusplus
extern "C" {
#endif

enum {
    JL_REPLAY_TIMES = 64,      /**< pictures at given times, at most */
    JL_REPLAY_MOMENTS = 500,   /**< of an animation and a series, at most */
    JL_REPLAY_FILM_TILES = 40, /**< of a film strip; later changes are left out */
};

struct jl_replay_request {
    const char *directory, *base; /**< where files go, and how their names begin */
    int scale;                    /**< of the photo; 0: what fits */
    uint64_t times[JL_REPLAY_TIMES];
    size_t time_count;
    uint64_t pause_ps; /**< a picture is complete when so long nothing comes; 0: 1 ms */
    bool series, film, animation;
};

struct jl_replay_result {
    size_t changes;     /**< completed pictures that differ from the one before */
    size_t doubts;      /**< of the decoder: jl_reading_run() tells all of them */
    char doubt[160];    /**< the first one */
    uint64_t left_out;  /**< changes beyond JL_REPLAY_MOMENTS: no part of series and animation */
    uint64_t length_ps; /**< from the first event to the end of the capture */
    char paths[JL_REPLAY_TIMES + 8][1024]; /**< that were written; of a series the first and last */
    size_t path_count;
};

/** Plays a capture to its end and writes BASE-glass.png, BASE-photo.png and what else was asked
 * for. The traffic's rig stands at the end then. */
bool jl_replay(struct jl_traffic *traffic, const struct jl_replay_request *request,
               struct jl_replay_result *result, struct jl_complaint *complaint);

#ifdef __cplusplus
}
#endif

#endif
