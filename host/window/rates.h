/* How much passes in a second of virtual time, over the last second of real time. */
#ifndef JADELAMP_HOST_WINDOW_RATES_H
#define JADELAMP_HOST_WINDOW_RATES_H

#include "link.h"

enum { RATES_KEPT = 64 };

struct rates {
    struct rates_then {
        double real_s, virtual_s;
        uint64_t bytes;
        uint32_t changes;
    } kept[RATES_KEPT];
    unsigned count;
    double byte_us; /* wire time of a byte on the first card's bus; 0: not known */
};

struct rates_now {
    bool known;
    double bytes_s, changes_s, load; /* load: share of the time with a byte on the wire */
    double pace;                     /* virtual time for real time */
};

/* For a card's bus, with nothing seen. */
void jl_host_rates_begin(struct rates *rates, const struct jl_card *card);

/* Takes a report, and tells. */
struct rates_now jl_host_rates_feed(struct rates *rates, const struct link_report *report,
                                    double real_s);

#endif
