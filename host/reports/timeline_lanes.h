/* What a timeline shows: lanes, filled by the pixel. Nothing of it grows with the capture. */
#ifndef JADELAMP_HOST_TIMELINE_LANES_H
#define JADELAMP_HOST_TIMELINE_LANES_H

#include "jadelamp/host/traffic.h"

enum lane { LANE_SELECT, LANE_COMMANDS, LANE_DATA, LANE_GAPS, LANE_WAITS, LANE_FOUND, LANES };

enum { MOST_LABELS = 600, LABEL_BYTES = 48 };

struct lanes {
    uint64_t from_ps, to_ps;
    int width;           /* pixels */
    double *cover;       /* LANES times width: how much of each pixel, 0..1 */
    double bits;         /* share of the time in which bits move */
    double share[LANES]; /* of the time that is shown, 0..1; of LANE_FOUND how many */
    struct label {
        enum lane lane;
        double left, right; /* pixels */
        char text[LABEL_BYTES];
    } labels[MOST_LABELS];
    size_t label_count;
};

/* Zeroed but for from_ps, to_ps and width. False: no memory. */
bool jl_host_lanes_begin(struct lanes *lanes);
void jl_host_lanes_free(struct lanes *lanes);

/* Plays the traffic to its end into the lanes. */
bool jl_host_lanes_fill(struct lanes *lanes, struct jl_traffic *traffic,
                        struct jl_complaint *complaint);

#endif
