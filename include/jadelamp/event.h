/*
 * Events: what hands do, from touch glass, keys and knobs alike. Every instrument takes them.
 *
 *   jl_touch_read(&touch, points, 2, &count);
 *   n = jl_gestures_feed(&gestures, points, count, now_ms, events);
 *   for (i = 0; i < n; i++) {
 *       if (jl_button_event(&button, &events[i])) { ... }
 *   }
 *
 * Time is in milliseconds of any counter that wraps at 2^32. Call the feeds every 5 to 20 ms. They
 * use their own struct only, so each may be fed from an interrupt of its own.
 */
#ifndef JADELAMP_EVENT_H
#define JADELAMP_EVENT_H

#include "jadelamp/geometry.h"
#include "jadelamp/touch.h"

#ifdef __cplusplus
extern "C" {
#endif

enum jl_event_kind {
    JL_EVENT_NONE,
    JL_EVENT_PRESS,   /**< a finger came down */
    JL_EVENT_DRAG,    /**< it moved, by (dx, dy) since its last event */
    JL_EVENT_HOLD,    /**< it has stayed where it came down */
    JL_EVENT_TAP,     /**< it left, and had neither moved nor stayed long */
    JL_EVENT_FLICK,   /**< it left while it moved: (dx, dy) pixels a second */
    JL_EVENT_RELEASE, /**< it left in another way */
    JL_EVENT_SPREAD,  /**< two fingers are dx pixels further apart (closer: negative) than when the
                           second one came; (x, y) is the middle between them */
    JL_EVENT_STEP,    /**< a knob was turned by dx detents, clockwise */
    JL_EVENT_KEY,     /**< a key went down, or repeats while it is held (then dx is how often) */
    JL_EVENT_KEY_UP,
};

/** Keys that instruments understand; use numbers from JL_KEY_OWN on for others. */
enum jl_key_name { JL_KEY_OK, JL_KEY_BACK, JL_KEY_UP, JL_KEY_DOWN, JL_KEY_OWN };

struct jl_event {
    uint8_t kind;   /**< enum jl_event_kind */
    uint8_t which;  /**< finger 0 or 1, or enum jl_key_name */
    int16_t x, y;   /**< where it is, or left; pixels of the picture */
    int16_t dx, dy; /**< as the kind says, else 0 */
};

/** Whether a finger left the glass with this event. */
static inline bool jl_event_is_end(const struct jl_event *event) {
    return event->kind == JL_EVENT_TAP || event->kind == JL_EVENT_FLICK ||
           event->kind == JL_EVENT_RELEASE;
}

/** What makes a gesture. */
struct jl_gesture_settings {
    uint16_t settle_ms;   /**< a finger that is seen for less, or once only, is noise */
    uint16_t leave_ms;    /**< it has left when it was not seen for so long */
    uint16_t hold_ms;     /**< for JL_EVENT_HOLD */
    uint8_t slack;        /**< pixels that it may move before it drags */
    uint16_t flick_speed; /**< pixels a second */
};

/** 10, 30 and 600 ms, 6 pixels, 250 pixels a second. */
extern const struct jl_gesture_settings jl_gestures_usual;

enum { JL_GESTURE_FINGERS = 2, JL_GESTURE_EVENTS = 2 * JL_GESTURE_FINGERS + 1 };

/** Tells gestures from points. Set up as {.settings = &jl_gestures_usual}; the rest is 0. */
struct jl_gestures {
    const struct jl_gesture_settings *settings;
    struct jl_gesture_track {
        uint8_t state, finger;
        int16_t from_x, from_y, x, y, told_x, told_y;
        int16_t speed_x, speed_y; /* pixels a second */
        uint32_t since_ms, seen_ms;
    } tracks[JL_GESTURE_FINGERS];
    int16_t apart, told_apart; /* of two fingers, pixels; 0: not two */
};

/**
 * Takes the points of a read, also when there are none, and after an error of the read.
 *
 * @param events receives up to JL_GESTURE_EVENTS
 * @return how many
 */
uint8_t jl_gestures_feed(struct jl_gestures *gestures, const struct jl_touch_point *points,
                         uint8_t count, uint32_t now_ms, struct jl_event events[JL_GESTURE_EVENTS]);

/** Forgets all fingers, as when another page is shown: what is down now makes no more events. */
void jl_gestures_drop(struct jl_gestures *gestures);

/** A key, debounced. Set up as {.key = JL_KEY_OK}; the rest is 0. */
struct jl_key {
    uint8_t key;
    bool is_down, was_raw;
    uint8_t repeats;
    uint32_t since_ms;
};

/**
 * Takes the level of a key. It counts once it has been the same for 20 ms; held for 500 ms it
 * repeats every 150 ms.
 *
 * @return whether there is an event
 */
bool jl_key_feed(struct jl_key *key, bool down, uint32_t now_ms, struct jl_event *event);

/** A knob: a rotary encoder with two contacts. Set up as {.quarters = 4}; the rest is 0. */
struct jl_knob {
    uint8_t quarters; /**< changes of the contacts from detent to detent: 4, 2 or 1 */
    uint8_t contacts;
    int8_t gone;
    bool is_known;
};

/**
 * Takes the levels of both contacts, at each change or at least every millisecond. Contacts that
 * bounce do no harm: what goes to and fro adds up to nothing.
 *
 * @return whether there is an event
 */
bool jl_knob_feed(struct jl_knob *knob, bool a, bool b, struct jl_event *event);

#ifdef __cplusplus
}
#endif

#endif
