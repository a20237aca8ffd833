/* Events of a bus, as the emulated part of a rig gets them. */
#ifndef JADELAMP_HOST_TRAFFIC_FEED_H
#define JADELAMP_HOST_TRAFFIC_FEED_H

#include "jadelamp/host/decode.h"
#include "jadelamp/host/rig.h"

/* Time before a capture or the first level, in which the part is powered and, without a wire for
 * it, reset. */
#define TRAFFIC_BEFORE_PS 500000000000u

struct traffic_feed {
    struct jl_rig *rig;
    struct jl_device *device; /* on the bus: the panel, or what is in front of it */
    uint64_t offset_ps;
    bool pins;  /* the part hangs on plain pins, see below */
    bool other; /* I2C: the transfer is another part's */
    uint64_t unit_ps;
};

/* What a byte takes by the card, for captures that say nothing of it. */
uint64_t jl_host_unit_ps(const struct jl_card *card);

/* Powers the part before the capture; what no wire of the capture drives is driven. */
void jl_host_feed_begin(struct traffic_feed *feed, struct jl_rig *rig, uint64_t offset_ps,
                        bool has_reset, bool has_cs, bool has_light);

/* True: it is for another part of the bus, and was not taken. */
bool jl_host_feed(struct traffic_feed *feed, const struct jl_bus_event *event);

/* Whether the part answers on the one data wire of three, behind an event that it got. */
bool jl_host_feed_is_asked(const struct traffic_feed *feed, const struct jl_bus_event *event);

/* A level on the pins of a character module, which hang on no bus. */
void jl_host_feed_level(struct traffic_feed *feed, uint64_t at_ps, enum jl_role role, bool high);

/* Time goes on to half a second behind the end of the capture. */
void jl_host_feed_end(struct traffic_feed *feed, uint64_t at_ps);

#endif
