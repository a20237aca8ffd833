/* From points on the glass to gestures. */
#include "jadelamp/event.h"

const struct jl_gesture_settings jl_gestures_usual = {
    .settle_ms = 10, .leave_ms = 30, .hold_ms = 600, .slack = 6, .flick_speed = 250};

/* FREE: nobody. COMING: perhaps noise. DOWN: told, where it came. HELD: told that, too. MOVES: it
 * is dragged. DROPPED: nobody wants to know of it any more. */
enum { FREE, COMING, DOWN, HELD, MOVES, DROPPED };

struct feed {
    const struct jl_gesture_settings *settings;
    uint32_t now_ms;
    struct jl_event *events;
    uint8_t count;
};

static int16_t cut(int32_t value) {
    return (int16_t)(value > INT16_MAX ? INT16_MAX : value < -INT16_MAX ? -INT16_MAX : value);
}

static int16_t magnitude(int16_t value) {
    return (int16_t)(value < 0 ? -value : value);
}

/* A distance without a root: right along the axes, up to 12 % too long between them. */
static int16_t length(int32_t dx, int32_t dy) {
    int16_t x = magnitude(cut(dx)), y = magnitude(cut(dy));
    return cut(x > y ? (int32_t)x + y / 2 : (int32_t)y + x / 2);
}

static void tell(struct feed *feed, uint8_t kind, uint8_t which, struct jl_gesture_track *track,
                 int16_t dx, int16_t dy) {
    feed->events[feed->count++] = (struct jl_event){kind, which, track->x, track->y, dx, dy};
    track->told_x = track->x;
    track->told_y = track->y;
}

/* Half of what it was, half of what it is. */
static int16_t speed(int16_t before, int32_t gone, uint32_t ms) {
    return cut((before + gone * 1000 / (int32_t)ms) / 2);
}

static void move(struct jl_gesture_track *track, const struct jl_touch_point *point,
                 uint32_t now_ms) {
    uint32_t ms = now_ms - track->seen_ms;
    if (ms > 0) {
        track->speed_x = speed(track->speed_x, (int32_t)point->x - track->x, ms);
        track->speed_y = speed(track->speed_y, (int32_t)point->y - track->y, ms);
    }
    track->x = point->x;
    track->y = point->y;
    track->seen_ms = now_ms;
}

static void stay(struct feed *feed, uint8_t which, struct jl_gesture_track *track) {
    uint32_t since = feed->now_ms - track->since_ms;
    switch (track->state) {
    case COMING:
        if (since >= feed->settings->settle_ms) {
            track->state = DOWN;
            track->since_ms = feed->now_ms;
            track->from_x = track->x;
            track->from_y = track->y;
            tell(feed, JL_EVENT_PRESS, which, track, 0, 0);
        }
        break;
    case DOWN:
    case HELD:
        if (length((int32_t)track->x - track->from_x, (int32_t)track->y - track->from_y) >
            feed->settings->slack) {
            track->state = MOVES;
        } else if (track->state == DOWN && since >= feed->settings->hold_ms) {
            track->state = HELD;
            tell(feed, JL_EVENT_HOLD, which, track, 0, 0);
        }
        break;
    default:
        break;
    }
    int16_t dx = cut((int32_t)track->x - track->told_x),
            dy = cut((int32_t)track->y - track->told_y);
    if (track->state == MOVES && (dx || dy)) {
        tell(feed, JL_EVENT_DRAG, which, track, dx, dy);
    }
}

static void leave(struct feed *feed, uint8_t which, struct jl_gesture_track *track) {
    if (feed->now_ms - track->seen_ms < feed->settings->leave_ms) {
        return;
    }
    uint8_t state = track->state;
    track->state = FREE;
    if (state == DOWN) {
        tell(feed, JL_EVENT_TAP, which, track, 0, 0);
    } else if (state == MOVES &&
               (uint16_t)length(track->speed_x, track->speed_y) >= feed->settings->flick_speed) {
        tell(feed, JL_EVENT_FLICK, which, track, track->speed_x, track->speed_y);
    } else if (state == MOVES || state == HELD) {
        tell(feed, JL_EVENT_RELEASE, which, track, 0, 0);
    }
}

static bool is_told(const struct jl_gesture_track *track) {
    return track->state == DOWN || track->state == HELD || track->state == MOVES;
}

/* Two fingers are no taps any more. */
static void spread(struct feed *feed, struct jl_gestures *gestures) {
    struct jl_gesture_track *a = &gestures->tracks[0], *b = &gestures->tracks[1];
    if (!is_told(a) || !is_told(b)) {
        gestures->apart = 0;
        return;
    }
    int16_t apart = length((int32_t)a->x - b->x, (int32_t)a->y - b->y);
    a->state = b->state = MOVES;
    if (!gestures->apart) {
        gestures->apart = gestures->told_apart = (int16_t)(apart ? apart : 1);
    } else if (magnitude(cut((int32_t)apart - gestures->told_apart)) > feed->settings->slack) {
        gestures->told_apart = apart;
        feed->events[feed->count++] = (struct jl_event){JL_EVENT_SPREAD,
                                                        0,
                                                        (int16_t)(((int32_t)a->x + b->x) / 2),
                                                        (int16_t)(((int32_t)a->y + b->y) / 2),
                                                        cut((int32_t)apart - gestures->apart),
                                                        0};
    }
}

static bool is_tracked(const struct jl_gestures *gestures, uint8_t finger) {
    for (int i = 0; i < JL_GESTURE_FINGERS; i++) {
        if (gestures->tracks[i].state != FREE && gestures->tracks[i].finger == finger) {
            return true;
        }
    }
    return false;
}

static void come(struct jl_gestures *gestures, const struct jl_touch_point *point,
                 uint32_t now_ms) {
    for (int i = 0; i < JL_GESTURE_FINGERS; i++) {
        if (gestures->tracks[i].state == FREE) {
            gestures->tracks[i] = (struct jl_gesture_track){.state = COMING,
                                                            .finger = point->finger,
                                                            .x = point->x,
                                                            .y = point->y,
                                                            .since_ms = now_ms,
                                                            .seen_ms = now_ms};
            return;
        }
    }
}

uint8_t jl_gestures_feed(struct jl_gestures *gestures, const struct jl_touch_point *points,
                         uint8_t count, uint32_t now_ms,
                         struct jl_event events[JL_GESTURE_EVENTS]) {
    struct feed feed = {gestures->settings, now_ms, events, 0};
    for (int i = 0; i < JL_GESTURE_FINGERS; i++) {
        struct jl_gesture_track *track = &gestures->tracks[i];
        if (track->state == FREE) {
            continue;
        }
        const struct jl_touch_point *point = points, *end = points + count;
        while (point < end && point->finger != track->finger) {
            point++;
        }
        if (point < end) {
            move(track, point, now_ms);
            stay(&feed, (uint8_t)i, track);
        } else {
            leave(&feed, (uint8_t)i, track);
        }
    }
    spread(&feed, gestures);
    for (uint8_t i = 0; i < count; i++) {
        if (!is_tracked(gestures, points[i].finger)) {
            come(gestures, &points[i], now_ms);
        }
    }
    return feed.count;
}

void jl_gestures_drop(struct jl_gestures *gestures) {
    for (int i = 0; i < JL_GESTURE_FINGERS; i++) {
        if (gestures->tracks[i].state != FREE) {
            gestures->tracks[i].state = DROPPED;
        }
    }
}
