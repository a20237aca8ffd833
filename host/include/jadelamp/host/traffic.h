/*
 * A capture of any firmware's traffic, played to the emulated panel of a card: what was on the wire
 * becomes what the controller makes of it.
 */
#ifndef JADELAMP_HOST_TRAFFIC_H
#define JADELAMP_HOST_TRAFFIC_H

#include "jadelamp/host/capture.h"
#include "jadelamp/host/decode.h"
#include "jadelamp/host/rig.h"

#ifdef __cplusplus
extern "C" {
#endif

struct jl_traffic;

struct jl_traffic_options {
    struct jl_capture_options capture;
    const char *const *wires; /**< "ROLE=NAME", such as "cs=CH3"; ends with NULL; or NULL */
    uint64_t pulse_ps;        /**< shorter pulses are glitches; 0: none is */
    bool awake; /**< the panel was woken before the capture, as the driver of the card wakes it */
    struct jl_rig *rig; /**< an open one of this card instead of one of its own; NULL */
};

/**
 * Opens a capture for a card. What wires are for is told by the options, or by their names. NULL:
 * the complaint says what was not found, and which names there are.
 */
struct jl_traffic *jl_traffic_open(const char *path, const struct jl_card *card,
                                   const struct jl_traffic_options *options,
                                   struct jl_complaint *complaint);
void jl_traffic_close(struct jl_traffic *traffic);

/** The rig whose device takes the traffic; its panel is not woken. Board times are those of the
 * capture plus this. */
struct jl_rig *jl_traffic_rig(struct jl_traffic *traffic);
uint64_t jl_traffic_offset_ps(const struct jl_traffic *traffic);

enum jl_traffic_step { JL_TRAFFIC_EVENT, JL_TRAFFIC_END, JL_TRAFFIC_BAD };

/** Whether the options said that it was woken before. */
bool jl_traffic_was_awake(const struct jl_traffic *traffic);

/**
 * The next event, in times of the capture; the emulated controller has taken it already, unless it
 * is for another part of the bus (`foreign`).
 */
enum jl_traffic_step jl_traffic_next(struct jl_traffic *traffic, struct jl_bus_event *event,
                                     bool *foreign, struct jl_complaint *complaint);

/** The time of the capture that is reached. */
uint64_t jl_traffic_now_ps(const struct jl_traffic *traffic);

/** When somebody wants to look at the glass. */
struct jl_traffic_watch {
    uint64_t pause_ps;     /**< before the first byte behind a pause of so much, and at the end */
    const uint64_t *times; /**< at these times of the capture, which rise */
    size_t time_count;
    void (*fn)(void *context, uint64_t at_ps, bool is_pause);
    void *context;
};

/** Calls a function at such times, from jl_traffic_next(): the board stands at that time, and has
 * taken nothing that comes later. Copied. */
void jl_traffic_watch(struct jl_traffic *traffic, const struct jl_traffic_watch *watch);

typedef void (*jl_traffic_tap_fn)(void *context, const struct jl_bus_event *event, bool foreign);

/** Calls a function with each event, too. NULL ends it. */
void jl_traffic_tap(struct jl_traffic *traffic, jl_traffic_tap_fn fn, void *context);

/** The wire of a role as it was found; NULL: none. */
const char *jl_traffic_wire(const struct jl_traffic *traffic, enum jl_role role);

#ifdef __cplusplus
}
#endif

#endif
