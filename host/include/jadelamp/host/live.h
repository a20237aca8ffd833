/*
 * The emulated panel of a card on wires that somebody moves as time passes, such as a simulated
 * processor: levels go in, and what the panel drives itself comes out. A capture that is over is
 * played by traffic.h.
 */
#ifndef JADELAMP_HOST_LIVE_H
#define JADELAMP_HOST_LIVE_H

#include "jadelamp/host/decode.h"
#include "jadelamp/host/rig.h"

#ifdef __cplusplus
extern "C" {
#endif

struct jl_live;

/** Roles that a card's bus may have and must have, as sets. MISO is among them where the part has
 * such an output. */
struct jl_live_roles {
    jl_role_set wanted, needed;
};
struct jl_live_roles jl_live_roles(const struct jl_card *card);

/** The microcontroller's pin that the card names for a role: of [pins]. NULL: none. */
const char *jl_live_pin_name(const struct jl_card *card, enum jl_role role);

/**
 * Opens the panel of a card, powered and not woken.
 *
 * @param wires the roles whose wires will move, 1 << role each; a reset, CS or light that is not
 *              among them is driven as on a module
 * @return NULL after complaining: glass that is scanned out, no memory
 */
struct jl_live *jl_live_open(const struct jl_card *card, jl_role_set wires,
                             struct jl_complaint *complaint);

/** NULL is fine. */
void jl_live_close(struct jl_live *live);

/** Its panel is not woken by us. Its board's times are those of the calls plus the offset. */
struct jl_rig *jl_live_rig(struct jl_live *live);
uint64_t jl_live_offset_ps(const struct jl_live *live);

/** The level of a wire from a time on; times of all calls rise. On I2C the level of the line, which
 * is low when anybody pulls it. */
void jl_live_level(struct jl_live *live, uint64_t at_ps, enum jl_role role, bool high);

/**
 * A light that is dimmed by pulses, from a time on: one level for all of them, and how bright.
 *
 * @param duty the share of the time in which it is on, of 65535
 */
void jl_live_light(struct jl_live *live, uint64_t at_ps, uint16_t duty);

/** Whether the panel drives a wire now: SDA, which it only pulls low; MISO, where it was asked
 * something; D0..D7 while it is read. The touch controller's wires, too. */
bool jl_live_drives(struct jl_live *live, enum jl_role role, bool *high);

/** No wire moves before this time: what is known by then, such as the end of a transfer on wires
 * that rest now, is told. */
void jl_live_reach(struct jl_live *live, uint64_t at_ps);

/** The level of an output of the panel at a time, such as JL_DEVICE_BUSY; JL_DEVICE_PEN is the
 * touch controller's. */
bool jl_live_output(struct jl_live *live, uint64_t at_ps, enum jl_device_pin pin);

/** A finger on the touch panel of the card, if it has one, from a time on; x below 0 lifts it.
 * Places are in pixels of the upright glass; fingers are 0 and 1. Instead of jl_live_follow(). */
void jl_live_finger(struct jl_live *live, uint64_t at_ps, int finger, int x, int y);

/**
 * Fingers on the touch panel of the card, if it has one.
 *
 * @param steps copied; their times are those of the calls here
 * @return false: no memory
 */
bool jl_live_follow(struct jl_live *live, const struct jl_hand_step *steps, size_t count,
                    struct jl_complaint *complaint);

typedef void (*jl_live_fn)(void *context, const struct jl_bus_event *event);

/** Calls a function with each event of the bus, behind the panel. NULL ends it. */
void jl_live_on_event(struct jl_live *live, jl_live_fn fn, void *context);

/** Nothing moves from a time on: what is under way comes out. */
void jl_live_end(struct jl_live *live, uint64_t at_ps);

#ifdef __cplusplus
}
#endif

#endif
