/*
 * Scripts of hands: text that says what fingers, keys and knobs do, and when.
 *
 *   ; a line a deed, times from the start of the script
 *   0.50 s   tap 120 200            ; down, and up again 80 ms later
 *   1.00 s   press 40 200
 *   1.60 s   slide 200 200          ; arrives now, from where it was
 *   1.70 s   lift
 *   2.00 s   press 60 60 finger 1   ; a second one; 0 is the first
 *   3.00 s   key ok                 ; down, and up again 80 ms later
 *   3.50 s   turn -2                ; two detents to the left, done by then
 *   4.00 s   look the gate opens    ; a picture for a film, with its caption
 *
 * Places are in pixels of the upright glass.
 */
#ifndef JADELAMP_HOST_HAND_SCRIPT_H
#define JADELAMP_HOST_HAND_SCRIPT_H

#include "jadelamp/host/complaint.h"
#include "jadelamp/sim/touch.h"

#ifdef __cplusplus
extern "C" {
#endif

enum { JL_HAND_MOST_STEPS = 512, JL_HAND_MOST_LOOKS = 24, JL_HAND_CAPTION_BYTES = 48 };

struct jl_hand_look {
    uint64_t at_ps;
    char caption[JL_HAND_CAPTION_BYTES];
};

struct jl_hand_script {
    struct jl_hand_step steps[JL_HAND_MOST_STEPS];
    size_t step_count;
    struct jl_hand_look looks[JL_HAND_MOST_LOOKS];
    size_t look_count;
    uint64_t end_ps; /**< of the last line */
};

/**
 * Reads a script; keys are ok, back, up, down (enum jl_key_name), or a number 0..4.
 *
 * @return false: the complaint says file:line, what was read and what would be right
 */
bool jl_hand_script_read(const char *path, struct jl_hand_script *script,
                         struct jl_complaint *complaint);

/** The same from text in memory; `name` stands for the path in complaints. */
bool jl_hand_script_read_text(const char *name, const char *text, struct jl_hand_script *script,
                              struct jl_complaint *complaint);

/**
 * Makes places that were written for a turned picture those of the upright glass.
 *
 * @param turn sum of enum jl_turn
 * @param width of the upright glass
 */
void jl_hand_script_turn(struct jl_hand_script *script, uint8_t turn, int width, int height);

/** Moves all of it to begin at a time. */
void jl_hand_script_start(struct jl_hand_script *script, uint64_t at_ps);

#ifdef __cplusplus
}
#endif

#endif
