/* Where fingers are on a touch panel, as its controller feels them. */
#ifndef JADELAMP_SIM_FINGERS_H
#define JADELAMP_SIM_FINGERS_H

#include "device.h"

struct felt {
    bool down;
    int x, y; /* in the touch panel's own pixels: as it is mounted */
};

/* The panel's own size. */
int jl_sim_touch_width(const struct jl_device *device);
int jl_sim_touch_height(const struct jl_device *device);

/* Finger 0..4 at a time that is not to come. */
struct felt jl_sim_finger(struct jl_device *device, int finger, uint64_t at_ps);

/* When any finger touched last, up to now; 0: never. */
uint64_t jl_sim_touched_last_ps(struct jl_device *device);

/* Adds noise and drift to a reading of x (or y), and cuts it to 0..most. */
int jl_sim_touch_reading(struct jl_device *device, int value, bool of_y, int most);

#endif
