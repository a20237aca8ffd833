/*
 * Emulated hands: fingers on devices that are touch controllers, and what they do on knobs and
 * keys. The glass of such a device is the touch panel: its width and height are in pixels of the
 * upright glass under it.
 */
#ifndef JADELAMP_SIM_TOUCH_H
#define JADELAMP_SIM_TOUCH_H

#include "jadelamp/sim/board.h"

#ifdef __cplusplus
extern "C" {
#endif

enum { JL_TOUCH_FINGERS = 5 };

/** Puts a finger (0..4) on the glass, or moves it there, at the board's time. Others: nothing. */
void jl_touch_press(struct jl_device *device, int finger, int x, int y);

/** Takes it off. */
void jl_touch_lift(struct jl_device *device, int finger);

/** What a hand does next. */
enum jl_hand_deed {
    JL_HAND_PRESS, /**< finger `which` on the glass at (x, y) */
    JL_HAND_SLIDE, /**< from where it was at the step before, straight, to arrive now */
    JL_HAND_LIFT,
    JL_HAND_KEY_DOWN, /**< key `which` */
    JL_HAND_KEY_UP,
    JL_HAND_TURN, /**< knob `which` by x detents, clockwise, which takes 8 ms each and ends now */
};

/** A step of a hand. */
struct jl_hand_step {
    uint64_t at_ps; /**< on the board's clock */
    enum jl_hand_deed deed;
    int which; /**< 0..4 */
    int x, y;
};

/**
 * Lets the fingers on a touch panel follow steps, in the order of their time; steps of keys and
 * knobs are passed over. Instead of jl_touch_press().
 *
 * @param steps the caller's, as long as the device is used
 */
void jl_touch_follow(struct jl_device *device, const struct jl_hand_step *steps, size_t count);

/** Whether a key is down at a time, by the same steps. */
bool jl_hand_key(const struct jl_hand_step *steps, size_t count, int which, uint64_t at_ps);

/** The contacts of a knob at a time: A in bit 0, B in bit 1; four changes are a detent. */
unsigned jl_hand_knob(const struct jl_hand_step *steps, size_t count, int which, uint64_t at_ps);

/** The contacts of a knob after so many quarters of a detent, clockwise from where both are open.
 */
unsigned jl_hand_contacts(int quarters);

/** What touch panels are like. All zero: an ideal one. */
struct jl_touch_flaws {
    uint8_t turn;       /**< quarter turns clockwise by which the touch glass is mounted, plus 4 if
                             it is mirrored, left to right, before */
    int noise;          /**< readings are off by up to this, in units of the part */
    uint32_t bounce_us; /**< for so long contact comes and goes behind a press or a lift */
    int faint;          /**< of resistive glass: how much less than usual Z1 is, 0..700 */
    int drift_x, drift_y; /**< what readings are off by in an hour, in units of the part */
};

/** Sets the flaws of a touch panel; copied. */
void jl_touch_set_flaws(struct jl_device *device, const struct jl_touch_flaws *flaws);

/** Touch controllers; on I2C but for the last. They tell pixels of the glass. */
extern const struct jl_emulated_part jl_emulated_ft6x36; /**< two fingers */
extern const struct jl_emulated_part jl_emulated_gt911;  /**< five */
extern const struct jl_emulated_part jl_emulated_cst816; /**< one */
/** Resistive, one finger and its pressure; on SPI. It tells 200..3900 from side to side. */
extern const struct jl_emulated_part jl_emulated_xpt2046;

#ifdef __cplusplus
}
#endif

#endif
