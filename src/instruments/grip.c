/* Fingers, knobs and keys on instruments. */
#include "instrument.h"

bool jl_rect_has(struct jl_rect box, int16_t x, int16_t y) {
    return x >= box.x && y >= box.y && x < (int32_t)box.x + box.w && y < (int32_t)box.y + box.h;
}

bool jl_grip_event(struct jl_grip *grip, struct jl_rect box, const struct jl_event *event) {
    bool inside = jl_rect_has(box, event->x, event->y);
    if (event->kind == JL_EVENT_PRESS && inside) {
        *grip = (struct jl_grip){true, true, event->which};
        return false;
    }
    if (!grip->held || event->which != grip->finger) {
        return false;
    }
    if (jl_event_is_end(event)) {
        *grip = (struct jl_grip){false, false, 0};
        return inside;
    }
    if (event->kind == JL_EVENT_DRAG) {
        grip->inside = inside;
    }
    return false;
}

int16_t jl_event_steps(const struct jl_event *event) {
    if (event->kind == JL_EVENT_STEP) {
        return event->dx;
    }
    if (event->kind == JL_EVENT_KEY) {
        return event->which == JL_KEY_DOWN ? 1 : event->which == JL_KEY_UP ? -1 : 0;
    }
    return 0;
}
