/*
 * Against tearing: TFT controllers scan their glass line by line some 60 times a second, and a
 * picture that is written across the scan shows half old and half new.
 *
 * A bus that writes a line faster than the controller scans one (49 us on an st7789 at 60 Hz)
 * should start when the scan pauses (JL_BEAM_BLANK): it stays ahead of the beam. A slower one
 * should start when the scan begins (JL_BEAM_TOP) and follow the beam: no tearing as long as it
 * is through before the next scan catches up, at about two scans. Still slower ones should
 * present small areas. With the picture on its side (quarter turns) it is written across the
 * scan, and tears anyway.
 */
#ifndef JADELAMP_BEAM_H
#define JADELAMP_BEAM_H

#include "jadelamp/panel.h"

#ifdef __cplusplus
extern "C" {
#endif

/** Moments of a scan. */
enum jl_beam_moment {
    JL_BEAM_BLANK, /**< the last line is done: TE rises */
    JL_BEAM_TOP,   /**< the first line begins: TE falls */
};

/**
 * Waits for a moment by the controller's TE output (tearing effect), which the wake-up
 * sequences of the library switch on.
 *
 * @param timeout_ms give two scans: 40 ms at 60 Hz
 * @return JL_OK; JL_TIMEOUT (TE did not change: wired?); JL_UNSUPPORTED (the port has no
 *         get_pin()); JL_NOT_AWAKE; JL_BUSY
 */
JL_MUST_CHECK
jl_status jl_beam_wait(struct jl_panel *panel, enum jl_beam_moment moment, uint32_t timeout_ms);

/** jl_beam_wait(), then jl_panel_present(). Nothing is sent when the wait fails. */
JL_MUST_CHECK
jl_status jl_beam_present(struct jl_panel *panel, struct jl_frame *frame,
                          enum jl_beam_moment moment, uint32_t timeout_ms);

/** A scan that is estimated from the port's clock, where TE is not wired. */
struct jl_beam_timer {
    uint32_t
        start_us; /**< when a scan was 0 old: TE rose, and the pause before its first line began */
    uint32_t period_us; /**< from scan to scan */
};

/**
 * Starts the scan anew by sending the controller to sleep and out again, which takes 240 ms on
 * MIPI DCS parts, and notes the time. The estimate drifts: the oscillators in controllers are
 * some per cent off, so at 60 Hz it is good for a second or so for each 1 % that the period is
 * known too little.
 *
 * @param period_us such as JL_ST7789_SCAN_US, which the controllers' headers have; or as your own
 *                  wake-up steps set it, or as measured; 1 or more
 * @return as jl_panel_sleep(); JL_UNSUPPORTED (the port has no now_us()); JL_BAD_ARGUMENT
 */
JL_MUST_CHECK
jl_status jl_beam_timer_start(struct jl_beam_timer *timer, struct jl_panel *panel,
                              uint32_t period_us);

/**
 * How old the present scan is, microseconds, 0 .. period_us - 1. At 0 TE would rise: the pause
 * begins, and the first line of the glass follows it.
 */
uint32_t jl_beam_timer_now(const struct jl_beam_timer *timer, const struct jl_port *port);

/**
 * Waits until a scan is `at_us` old (taken modulo the period): 0 is JL_BEAM_BLANK; JL_BEAM_TOP
 * comes after the controller's porches.
 */
void jl_beam_timer_wait(const struct jl_beam_timer *timer, const struct jl_port *port,
                        uint32_t at_us);

#ifdef __cplusplus
}
#endif

#endif
