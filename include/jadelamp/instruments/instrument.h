/*
 * What instruments have alike.
 *
 * An instrument is a struct of the caller's: a pointer to its face, which is constant, and a value,
 * which the program sets. No instrument knows another one.
 *
 *   static const struct jl_dial_face face = {.box = {0, 0, 120, 120}, ...};
 *   struct jl_dial dial = {.face = &face};
 *   dial.value = 42;
 *   jl_dial_redraw(&frame.target, &dial);   // what changed since the last time
 *
 * jl_X_draw() draws all of it, on any target, and changes nothing: for bands, where each band gets
 * the whole picture. jl_X_redraw() draws only what changed, the same pixels, and so marks only that
 * as damage: for frames, and for panels that are drawn on directly. The first time, and after
 * `drawn` was set to false (because another page was shown, or the face was changed), it draws all.
 * It returns whether it drew anything. The mode of the target is JL_MODE_REPLACE.
 *
 * jl_X_event() takes an event and says what happened; it draws nothing. Events that are not for the
 * instrument change nothing. Those of knobs and keys go to whom the program gives them: to what
 * has `focused` set, usually.
 *
 * All of a box belongs to its instrument, and boxes must not overlap. Coordinates lie within
 * -8192..8191. None of the pointers may be NULL, but labels.
 */
#ifndef JADELAMP_INSTRUMENTS_INSTRUMENT_H
#define JADELAMP_INSTRUMENTS_INSTRUMENT_H

#include "jadelamp/event.h"
#include "jadelamp/target.h"
#include "jadelamp/theme.h"

#ifdef __cplusplus
extern "C" {
#endif

/** How bad a value is. */
enum jl_grade { JL_GRADE_GOOD, JL_GRADE_WARN, JL_GRADE_ALARM };

/** A part of a scale: up to `to`, from where the zone before it ends. */
struct jl_zone {
    int32_t to;
    uint8_t grade; /**< enum jl_grade */
};

/** A scale: `from` lies below `to`. Values outside are shown, and graded, as its ends. */
struct jl_scale {
    int32_t from, to;
    const struct jl_zone *zones; /**< rising; above the last one all is good. Or NULL */
    uint8_t zone_count;
};

/** A finger on an instrument. For the library. */
struct jl_grip {
    bool held;   /* it came down on it, and has not left the glass */
    bool inside; /* it is on it now */
    uint8_t finger;
};

#ifdef __cplusplus
}
#endif

#endif
