/* Knobs and keys that follow the steps of a hand. */
#include "jadelamp/sim/touch.h"

#define DETENT_PS ((uint64_t)8000000000)

bool jl_hand_key(const struct jl_hand_step *steps, size_t count, int which, uint64_t at_ps) {
    bool down = false;
    for (size_t i = 0; i < count && steps[i].at_ps <= at_ps; i++) {
        bool of_key = steps[i].deed == JL_HAND_KEY_DOWN || steps[i].deed == JL_HAND_KEY_UP;
        if (of_key && steps[i].which == which) {
            down = steps[i].deed == JL_HAND_KEY_DOWN;
        }
    }
    return down;
}

/* How many of a turn's quarter detents are done at a time. */
static int quarters_of(const struct jl_hand_step *step, uint64_t at_ps) {
    int whole = 4 * (step->x < 0 ? -step->x : step->x);
    uint64_t quarter = DETENT_PS / 4, left = at_ps < step->at_ps ? step->at_ps - at_ps : 0;
    int missing =
        (int)((left + quarter - 1) / quarter < (uint64_t)whole ? (left + quarter - 1) / quarter
                                                               : (uint64_t)whole);
    return step->x < 0 ? missing - whole : whole - missing;
}

unsigned jl_hand_contacts(int quarters) {
    static const uint8_t contacts[] = {0, 1, 3, 2}; /* A leads clockwise */
    return contacts[(unsigned)quarters & 3];
}

unsigned jl_hand_knob(const struct jl_hand_step *steps, size_t count, int which, uint64_t at_ps) {
    int quarters = 0;
    for (size_t i = 0; i < count; i++) {
        if (steps[i].deed == JL_HAND_TURN && steps[i].which == which) {
            quarters += quarters_of(&steps[i], at_ps);
        }
    }
    return jl_hand_contacts(quarters);
}
