/* Keys: debounced, repeating. */
#include "jadelamp/event.h"

enum { SETTLE_MS = 20, HOLD_MS = 500, REPEAT_MS = 150 };

bool jl_key_feed(struct jl_key *key, bool down, uint32_t now_ms, struct jl_event *event) {
    uint32_t passed = now_ms - key->since_ms;
    if (down != key->was_raw) {
        key->was_raw = down;
        key->since_ms = now_ms;
        return false;
    }
    if (down != key->is_down) {
        if (passed < SETTLE_MS) {
            return false;
        }
        key->is_down = down;
        key->repeats = 0;
    } else {
        uint32_t due = key->repeats ? REPEAT_MS : HOLD_MS;
        if (!down || passed < due) {
            return false;
        }
        key->repeats = (uint8_t)(key->repeats < UINT8_MAX ? key->repeats + 1 : UINT8_MAX);
    }
    key->since_ms = now_ms;
    *event = (struct jl_event){.kind = down ? JL_EVENT_KEY : JL_EVENT_KEY_UP,
                               .which = key->key,
                               .dx = down ? key->repeats : 0};
    return true;
}
