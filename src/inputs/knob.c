/* Rotary encoders. */
#include "jadelamp/event.h"

bool jl_knob_feed(struct jl_knob *knob, bool a, bool b, struct jl_event *event) {
    /* By the contacts before (bits 3, 2) and now (1, 0), b being the upper bit. A leads clockwise:
     * 00, 01, 11, 10. Where both changed nobody knows the way. */
    static const int8_t ways[16] = {0, 1, -1, 0, -1, 0, 0, 1, 1, 0, 0, -1, 0, -1, 1, 0};
    uint8_t now = (uint8_t)((b ? 2 : 0) | (a ? 1 : 0));
    if (knob->is_known) {
        knob->gone = (int8_t)(knob->gone + ways[knob->contacts << 2 | now]);
    }
    knob->contacts = now;
    knob->is_known = true;
    int8_t detent = knob->quarters ? (int8_t)knob->quarters : 4;
    if (knob->gone < detent && knob->gone > -detent) {
        return false;
    }
    int8_t step = knob->gone > 0 ? 1 : -1;
    knob->gone = (int8_t)(knob->gone - step * detent);
    *event = (struct jl_event){.kind = JL_EVENT_STEP, .dx = step};
    return true;
}
