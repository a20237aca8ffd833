/*
 * A calibration screen: crosses to touch one after the other, and a map from them.
 *
 *   struct jl_calibration screen;
 *   jl_calibration_begin(&screen, &touch, &style, 5);
 *   while (jl_calibration_run(&screen, &frame.target, now_ms)) {
 *       jl_panel_present(&panel, &frame);
 *       ... wait 5 to 20 ms, count on now_ms ...
 *   }
 *   if (screen.status == JL_OK) { keep screen.map; jl_touch_use_map(&touch, &screen.map); }
 */
#ifndef JADELAMP_CALIBRATION_H
#define JADELAMP_CALIBRATION_H

#include "jadelamp/text.h"
#include "jadelamp/touch.h"

#ifdef __cplusplus
extern "C" {
#endif

/** A run of the screen. The caller's; read status, map and residuals, the rest is the library's. */
struct jl_calibration {
    struct jl_touch_map map;             /**< the result, when status is JL_OK */
    struct jl_touch_residuals residuals; /**< of the last round of crosses */
    jl_status status;
    struct jl_touch *touch;
    const struct jl_text_style *style;
    struct jl_touch_pair pairs[5];
    uint8_t places, done, rounds, steady;
    bool drawn, cleared, wait_for_lift;
    uint32_t seen_ms;
};

/**
 * Starts.
 *
 * @param touch  open and woken; a map that it has is not looked at
 * @param style  of the text; crosses have its ink, and the screen its paper
 * @param places 3 or 5
 * @return JL_OK; JL_BAD_ARGUMENT. After an error jl_calibration_run() gives up at once.
 */
jl_status jl_calibration_begin(struct jl_calibration *screen, struct jl_touch *touch,
                               const struct jl_text_style *style, uint8_t places);

/**
 * Reads the finger, and draws what is new to see. A cross is taken when the finger
 * stays there for 100 ms, and the next one waits until it has left. Errors of the bus are waited
 * out. When the crosses do not fit each other (more than 3 pixels off in the mean), they
 * are asked for again, three times in all.
 *
 * @param target a frame of the whole glass, turned as jl_touch_turn() says
 * @return whether it goes on. Else `status` is JL_OK, or JL_OUT_OF_RANGE (it never fitted), or of
 *         jl_calibration_begin()
 */
bool jl_calibration_run(struct jl_calibration *screen, struct jl_target *target, uint32_t now_ms);

#ifdef __cplusplus
}
#endif

#endif
